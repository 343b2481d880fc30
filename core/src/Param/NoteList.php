<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Table;

/** Notes to come: a list of columns by name, as the table of notes has them. */
final class NoteList extends Plain
{
    /** The most notes that one command may bring. */
    public const MOST = 100_000;

    /** @return list<array<string, int|string>> every column that may be given; what was not has what stands in for it */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) > self::MOST) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }

        return array_map(fn (mixed $note, int $i): array => $this->note($note, "{$name}[$i]"), $value, array_keys($value));
    }

    public function allowed(): string
    {
        return 'a list of {"start": tick, "pitch": 0–127} with "length" in ticks and "velocity" 1–127 where the pen is not to say them';
    }

    public function field(): string
    {
        return 'notes';
    }

    public function isAskable(): bool
    {
        return false;
    }

    /** @return array<string, int|string> */
    private function note(mixed $note, string $name): array
    {
        if (! is_array($note)) {
            throw Refusal::parameter($name, $note, $this->allowed());
        }
        $read = [];
        foreach (Table::notes()->columns as $key => $column) {
            if ($column->given === null) {
                continue;
            }
            if ($column->isText()) {
                $read[$key] = isset($note[$key]) ? Expression::read($note[$key], "$name.$key")->text() : '';

                continue;
            }
            [$min, $max, $default] = $column->given;
            $value = $note[$key] ?? $default;
            $value = is_bool($value) && [$min, $max] === [0, 1] ? (int) $value : $value;
            if (! is_int($value) || (isset($note[$key]) && ($value < $min || $value > $max))) {
                throw Refusal::parameter("$name.$key", $note[$key] ?? null, "a whole number from $min to $max");
            }
            $read[$key] = $value;
        }
        $unknown = array_diff(array_keys($note), array_keys($read));
        if ($unknown !== []) {
            throw Refusal::parameter($name, reset($unknown), 'one of '.implode(', ', array_keys($read)));
        }

        return $read;
    }
}
