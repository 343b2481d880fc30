<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/**
 * What a parameter may be. A kind reads what came, says what is allowed, writes a value back, and says which field
 * shows it. To add one is to add a class here, a way to make it in Param, and a field in the interface.
 */
interface Kind
{
    /**
     * The value checked and in the core's own form.
     *
     * @throws Refusal that names the parameter, what came and what is allowed
     */
    public function read(mixed $value, string $name): mixed;

    /** What may stand here, in words. */
    public function allowed(): string;

    /** A value in the core's own form, as it is written. */
    public function write(mixed $value): mixed;

    /** The name of the field that shows it. */
    public function field(): string;

    /** @return array<string, mixed> what the field has to know: least, most, unit, choices; shape: what is typed of it looks like this */
    public function limits(): array;

    /**
     * What the first of some typed words say, as a command would bring it; null where they say nothing of this kind.
     *
     * @param  non-empty-list<string>  $words
     * @return array{mixed, int}|null the value, and how many words it took
     */
    public function typed(array $words): ?array;

    /** Whether a field can ask a person for it. */
    public function isAskable(): bool;
}
