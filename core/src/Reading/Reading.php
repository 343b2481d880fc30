<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Refusal;

/**
 * What looks and changes nothing. To add one, write one class in this folder: its id is the class name in kebab-case,
 * and Readings finds it there.
 */
interface Reading
{
    public static function spec(): Spec;

    /** @return array<string, mixed> the shape of its answer, as JSON Schema */
    public static function answer(): array;

    /**
     * @return array<string, mixed> as it is answered
     *
     * @throws Refusal
     */
    public function read(EditInput $input): array;
}
