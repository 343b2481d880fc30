<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Step;

/** The table of a part's settings. A new one is a line here, and a property of PartSettings. */
final class Settings
{
    /** Soft, middling, strong, hardest. */
    public const TOUCHES = [45, 70, 95, 118];

    /** Swing where it is switched on and none was set before. */
    public const SWING = 60.0;

    /** Kept choices of a part at most. */
    private const MOST_CHOICES = 32;

    /** @return array<string, Setting> by name, in the order of the constructor of PartSettings */
    public static function all(): array
    {
        static $all = null;
        if ($all === null) {
            $list = self::list();
            $all = array_combine(array_map(static fn (Setting $s): string => $s->name, $list), $list);
        }

        /** @var array<string, Setting> */
        return $all;
    }

    /** @return list<Setting> */
    private static function list(): array
    {
        $velocityFrom = static fn (PartSettings $now): string => $now->velocityFrom === 'touched' ? 'Pen velocity as of the note last touched' : "Pen velocity fixed at $now->penVelocity";
        $penLength = static fn (PartSettings $now): string => 'Pen length '.($now->penLength->name ?? 'one grid cell');

        return [
            new Setting('grid', '1/16', Grid::ALLOWED, static fn (mixed $v): ?Grid => is_string($v) ? Grid::parse($v) : null,
                words: static fn (PartSettings $now): string => "Grid {$now->grid->name}"),
            new Setting('swing', Lines::STRAIGHT, '50 to 75 %', self::number(50, 75),
                words: static fn (PartSettings $now): string => $now->swing > 50 ? 'Swing '.rtrim(rtrim(number_format($now->swing, 2), '0'), '.').' %' : 'Swing off: the grid is straight'),
            new Setting('strength', 100, 'a whole number from 0 to 100 %', self::whole(0, 100),
                words: static fn (PartSettings $now): string => "Strength $now->strength %"),
            new Setting('nudge', ['unit' => 'ms', 'amount' => 10], Step::ALLOWED, static fn (mixed $v): Step => Step::parse($v, 'nudge'),
                words: static fn (PartSettings $now): string => 'Nudge step '.$now->nudge->words(1).($now->tied ? ', tied to the grid' : '')),
            new Setting('tied', true, 'true or false', static fn (mixed $v): ?bool => is_bool($v) ? $v : null, [true, false]),
            new Setting('lanes', 'along', 'stay or along', self::choice('stay', 'along'), ['stay', 'along'],
                static fn (PartSettings $now): string => $now->lanes === 'along' ? 'Lanes come along with notes that are moved, copied and cut' : 'Lanes stay where they are'),
            new Setting('penVelocity', 90, 'a whole number from 1 to 127', self::whole(Note::SOFTEST, Note::LOUDEST),
                words: static fn (PartSettings $now): string => "Pen velocity $now->penVelocity"),
            new Setting('touches', self::TOUCHES, 'four whole numbers from 1 to 127', self::touches(...),
                words: static fn (PartSettings $now): string => 'Touches '.implode(', ', $now->touches)),
            new Setting('velocityFrom', 'fixed', 'fixed or touched', self::choice('fixed', 'touched'), ['fixed', 'touched'],
                $velocityFrom),
            new Setting('lengthFrom', 'fixed', 'fixed or touched', self::choice('fixed', 'touched'), ['fixed', 'touched'],
                static fn (PartSettings $now): string => $now->lengthFrom === 'touched' ? 'Pen length as of the note last touched' : $penLength($now)),
            new Setting('penLength', null, Grid::ALLOWED, static fn (mixed $v): ?Grid => is_string($v) ? Grid::parse($v, 'penLength') : null, words: $penLength, nullable: true),
            new Setting('swingKept', self::SWING, 'over 50 to 75 %', static fn (mixed $v): ?float => (is_int($v) || is_float($v)) && $v > 50 && $v <= 75 ? (float) $v : null),
            new Setting('touchedLength', null, 'ticks, 1 or more', self::whole(1, PHP_INT_MAX >> 20), nullable: true),
            new Setting('scale', null, Scale::ALLOWED, static fn (mixed $v): ?Scale => Scale::tryParse($v),
                words: static fn (PartSettings $now): string => $now->scale === null ? 'No scale' : "Scale {$now->scale->name}", nullable: true),
            new Setting('held', false, 'true or false', static fn (mixed $v): ?bool => is_bool($v) ? $v : null, [true, false],
                static fn (PartSettings $now): string => ! $now->held ? 'Not held to a scale' : ($now->scale === null ? 'Held to the scale of the song' : "Held to {$now->scale->name}")),
            new Setting('choices', [], 'names of up to 60 letters with the ids of notes each, 32 at most', self::choices(...),
                words: static function (PartSettings $now, PartSettings $before): string {
                    $new = array_diff_key($now->choices, $before->choices) + array_filter($now->choices, static fn (array $ids, string $name): bool => ($before->choices[$name] ?? null) !== $ids, ARRAY_FILTER_USE_BOTH);
                    $name = array_key_first($new);

                    return $name === null ? 'Kept choice forgotten: '.implode(', ', array_keys(array_diff_key($before->choices, $now->choices)))
                        : sprintf('Choice “%s” kept: %s', $name, count($new[$name]) === 1 ? '1 note' : count($new[$name]).' notes');
                }),
        ];
    }

    /**
     * Kept choices: ids of notes by the name they were kept under. Those of notes that are gone say nothing.
     *
     * @return array<string, list<int>>|null
     */
    private static function choices(mixed $value): ?array
    {
        if (! is_array($value) || count($value) > self::MOST_CHOICES) {
            return null;
        }
        $read = [];
        foreach ($value as $name => $ids) {
            $name = trim((string) $name);
            if ($name === '' || mb_strlen($name) > 60 || ! is_array($ids) || ! array_is_list($ids) || array_filter($ids, static fn (mixed $id): bool => ! is_int($id) || $id < 1) !== []) {
                return null;
            }
            /** @var list<int> $ids */
            $read[$name] = $ids;
        }

        return $read;
    }

    private static function whole(int $min, int $max): \Closure
    {
        return static fn (mixed $v): ?int => is_int($v) && $v >= $min && $v <= $max ? $v : null;
    }

    private static function number(float $min, float $max): \Closure
    {
        return static fn (mixed $v): ?float => (is_int($v) || is_float($v)) && $v >= $min && $v <= $max ? (float) $v : null;
    }

    private static function choice(string ...$choices): \Closure
    {
        return static fn (mixed $v): ?string => is_string($v) && in_array($v, $choices, true) ? $v : null;
    }

    /** @return list<int>|null */
    private static function touches(mixed $value): ?array
    {
        $good = is_array($value) ? array_values(array_filter($value, static fn (mixed $t): bool => is_int($t) && $t >= Note::SOFTEST && $t <= Note::LOUDEST)) : [];

        return is_array($value) && count($value) === 4 && count($good) === 4 ? $good : null;
    }
}
