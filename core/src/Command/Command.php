<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Spec;

/** Something that a person can ask for by key, from the list or by a button: an edit, or a thing the interface does. */
final readonly class Command
{
    /**
     * @param  Spec  $spec  what it is called and what it takes; for an edit its own
     * @param  list<string>  $contexts  where it can be asked for: songs, song, roll, keys; "any" is everywhere
     * @param  list<array{title: string, params: array<string, mixed>, words?: list<string>, ofPoints?: string}>  $forms  the
     *                                                                                                                    command with parameters already given, as people look for it, with its title for points of a
     *                                                                                                                    lane; none for a command that is looked for as it is
     * @param  bool  $formsOnly  whether it makes sense only with parameters given
     */
    public function __construct(public Spec $spec, public array $contexts, public array $forms = [], public bool $formsOnly = false)
    {
    }

    /** @return array<string, mixed> for the interface */
    public function toArray(): array
    {
        $forms = array_map(static fn (array $form): array => ['params' => (object) $form['params']] + $form, $this->forms);

        return ['contexts' => $this->contexts, 'forms' => $forms, 'formsOnly' => $this->formsOnly] + $this->spec->toArray();
    }
}
