<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Refusal;

/**
 * A change that a person can ask for: a pure function of the score, the selection and its parameters.
 *
 * To add one, write one class in a folder of a family under Edit/ (and its test). Its id is the class name in
 * kebab-case; the catalogue finds it there, and from its spec come the shortcuts, the panels, the API's checks, the
 * command line and the reference page.
 *
 * An edit has no other effect than the outcome it returns, and the same work gives the same outcome. What it cannot
 * do as a whole it refuses as a whole. It never silently removes a note.
 */
interface Edit
{
    public static function spec(): Spec;

    /**
     * @param  EditInput  $input  with at least one note selected, unless the spec says that it needs none
     *
     * @throws Refusal when it cannot be done as a whole, saying which note and why
     */
    public function apply(EditInput $input): Outcome;
}
