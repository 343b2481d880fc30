<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Shape;
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

    /** @return array<string, array{int|float, int|float}> least and most, of those that are numbers */
    public static function ranges(): array
    {
        $ranges = [];
        foreach (self::all() as $name => $setting) {
            [$least, $most] = [$setting->shape()['minimum'] ?? null, $setting->shape()['maximum'] ?? null];
            if (is_numeric($least) && is_numeric($most)) {
                $ranges[$name] = [$least + 0, $most + 0];
            }
        }

        return $ranges;
    }

    /** @return list<Setting> */
    private static function list(): array
    {
        $velocityFrom = static fn (PartSettings $now): string => $now->velocityFrom === 'touched' ? 'Pen velocity as the note last touched' : "Pen velocity fixed at $now->penVelocity";
        $penLength = static fn (PartSettings $now): string => 'Pen length '.($now->penLength->name ?? 'one grid cell');

        return [
            new Setting('grid', '1/16', Grid::ALLOWED, Shape::text(), static fn (mixed $v): ?Grid => is_string($v) ? Grid::parse($v) : null,
                words: static fn (PartSettings $now): string => "Grid {$now->grid->name}"),
            new Setting('swing', Lines::STRAIGHT, ...self::number(50, 75),
                words: static fn (PartSettings $now): string => $now->swing > 50 ? 'Swing '.rtrim(rtrim(number_format($now->swing, 2), '0'), '.').' %' : 'Swing off: the grid is straight'),
            new Setting('strength', 100, ...self::whole(0, 100, ' %'),
                words: static fn (PartSettings $now): string => "Strength $now->strength %"),
            new Setting('nudge', ['unit' => 'ms', 'amount' => 10], Step::ALLOWED, Shape::named('Step'), static fn (mixed $v): Step => Step::parse($v, 'nudge'),
                words: static fn (PartSettings $now): string => 'Nudge step '.$now->nudge->words(1).($now->tied ? ' (= grid)' : '')),
            new Setting('tied', true, ...self::flag()),
            new Setting('lanes', 'along', ...self::choice('stay', 'along'),
                words: static fn (PartSettings $now): string => $now->lanes === 'along' ? 'Controllers move with notes that are moved, copied and cut' : 'Controllers stay where they are'),
            new Setting('penVelocity', 90, ...self::whole(Note::SOFTEST, Note::LOUDEST),
                words: static fn (PartSettings $now): string => "Pen velocity $now->penVelocity"),
            new Setting('touches', self::TOUCHES, 'four whole numbers from 1 to 127', Shape::list(Shape::whole(Note::SOFTEST, Note::LOUDEST), 4), self::touches(...),
                words: static fn (PartSettings $now): string => 'Touches '.implode(', ', $now->touches)),
            new Setting('velocityFrom', 'fixed', ...self::choice('fixed', 'touched'),
                words: $velocityFrom),
            new Setting('lengthFrom', 'fixed', ...self::choice('fixed', 'touched'),
                words: static fn (PartSettings $now): string => $now->lengthFrom === 'touched' ? 'Pen length as the note last touched' : $penLength($now)),
            new Setting('penLength', null, Grid::ALLOWED, Shape::text(), static fn (mixed $v): ?Grid => is_string($v) ? Grid::parse($v, 'penLength') : null, words: $penLength, nullable: true),
            new Setting('swingKept', self::SWING, 'over 50 to 75 %', Shape::number(50, 75), static fn (mixed $v): ?float => (is_int($v) || is_float($v)) && $v > 50 && $v <= 75 ? (float) $v : null),
            new Setting('touchedLength', null, 'ticks, 1 or more', Shape::whole(1), self::whole(1, PHP_INT_MAX >> 20)['read'], nullable: true),
            new Setting('scale', null, Scale::ALLOWED, Shape::text(), static fn (mixed $v): ?Scale => Scale::tryParse($v),
                words: static fn (PartSettings $now): string => $now->scale === null ? 'No scale' : "Scale {$now->scale->name}", nullable: true),
            new Setting('held', false, ...self::flag(),
                words: static fn (PartSettings $now): string => ! $now->held ? 'Scale lock off' : ($now->scale === null ? 'Scale lock on: the song’s scale' : "Scale lock on: {$now->scale->name}")),
            new Setting('choices', [], 'names of up to 60 letters with the ids of notes each, 32 at most', Shape::map(Shape::list(Shape::whole(1))), self::choices(...),
                words: static function (PartSettings $now, PartSettings $before): string {
                    $new = array_diff_key($now->choices, $before->choices) + array_filter($now->choices, static fn (array $ids, string $name): bool => ($before->choices[$name] ?? null) !== $ids, ARRAY_FILTER_USE_BOTH);
                    $name = array_key_first($new);

                    return $name === null ? 'Saved selection deleted: '.implode(', ', array_keys(array_diff_key($before->choices, $now->choices)))
                        : sprintf('Selection “%s” saved: %s', $name, count($new[$name]) === 1 ? '1 note' : count($new[$name]).' notes');
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

    /** @return array{allowed: string, shape: array<string, mixed>, read: \Closure(mixed): ?int} */
    private static function whole(int $min, int $max, string $unit = ''): array
    {
        return ['allowed' => "a whole number from $min to $max$unit", 'shape' => Shape::whole($min, $max), 'read' => static fn (mixed $v): ?int => is_int($v) && $v >= $min && $v <= $max ? $v : null];
    }

    /** @return array{allowed: string, shape: array<string, mixed>, read: \Closure(mixed): ?float} of percent */
    private static function number(float $min, float $max): array
    {
        return ['allowed' => "$min to $max %", 'shape' => Shape::number($min, $max), 'read' => static fn (mixed $v): ?float => (is_int($v) || is_float($v)) && $v >= $min && $v <= $max ? (float) $v : null];
    }

    /** @return array{allowed: string, shape: array<string, mixed>, read: \Closure(mixed): ?string, toggles: list<string>} one of two words */
    private static function choice(string $one, string $other): array
    {
        return ['allowed' => "$one or $other", 'shape' => Shape::oneOf([$one, $other]), 'read' => static fn (mixed $v): ?string => is_string($v) && in_array($v, [$one, $other], true) ? $v : null, 'toggles' => [$one, $other]];
    }

    /** @return array{allowed: string, shape: array<string, mixed>, read: \Closure(mixed): ?bool, toggles: list<bool>} */
    private static function flag(): array
    {
        return ['allowed' => 'true or false', 'shape' => Shape::flag(), 'read' => static fn (mixed $v): ?bool => is_bool($v) ? $v : null, 'toggles' => [true, false]];
    }

    /** @return list<int>|null */
    private static function touches(mixed $value): ?array
    {
        $good = is_array($value) ? array_values(array_filter($value, static fn (mixed $t): bool => is_int($t) && $t >= Note::SOFTEST && $t <= Note::LOUDEST)) : [];

        return is_array($value) && count($value) === 4 && count($good) === 4 ? $good : null;
    }
}
