<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A place in time: a tick; or a text that is made a tick by the song's bars (17.3) or by the command's context (caret). */
final class Place extends Plain
{
    public const LAST = PHP_INT_MAX >> 20;

    public const ALLOWED = 'a tick, or a bar and beat such as "17.3", or caret, pointer, span-start, span-end, selection-start, selection-end, part-start, part-end, song-end, bar, next-bar or marker:NAME';

    private const WORDS = ['caret', 'pointer', 'span-start', 'span-end', 'selection-start', 'selection-end', 'part-start', 'part-end', 'song-end', 'bar', 'next-bar'];

    private const MARKER = 'marker:';

    public function __construct(private readonly int $min = 0)
    {
    }

    public function read(mixed $value, string $name): int|Word
    {
        if (is_string($value) && (in_array($value, self::WORDS, true) || Position::reads($value) || (str_starts_with($value, self::MARKER) && $value !== self::MARKER))) {
            return new Word($value);
        }

        return is_int($value) && $value >= $this->min && $value <= self::LAST ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return self::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Word ? $value->word : $value;
    }

    public function field(): string
    {
        return 'place';
    }

    public function limits(): array
    {
        return ['min' => $this->min, 'max' => self::LAST, 'unit' => 'ticks', 'choices' => self::WORDS];
    }

    public function typed(array $words): ?array
    {
        // A bar with its beat is a place once there are bars to count by; a number alone may be meant for another parameter.
        return str_contains($words[0], '.') && Position::reads($words[0]) ? [new Position($words[0]), 1] : $this->longest($words, 1);
    }
}
