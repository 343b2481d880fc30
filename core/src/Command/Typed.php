<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Param\Name;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Position;
use Jactonic\Core\Param\Text;
use Jactonic\Core\Time\Timeline;

/**
 * A line of text to commands, from their specs alone: a command's title, id or other words, then its values in any order
 * that their kinds tell apart. What can be read in several ways gives all of them, the likeliest first.
 */
final class Typed
{
    private const MOST = 6;

    /** What may be typed, by the page on which it fits. */
    public const EXAMPLES = [
        'roll' => ['transpose -7', 'velocity +12', 'velocity to 72 50%', 'nudge 12 ms later', 'quantize 1/8T 60%', 'split 3', 'ramp 40 110', 'chord Gm9/C', 'octave up', 'select above C4', 'grid 1/16', 'go 17.3', 'tempo 92'],
        'song' => ['go 17.3', 'transpose -7', 'quantize 1/8T 60%', 'key D minor', 'volume 90', 'pan 30', 'marker Landing stage'],
        'songs' => [],
    ];

    /** Words that join others, and say nothing. */
    private const FILLING = ['to', 'by', 'at', 'of', 'the', 'a', 'an', 'in', 'into', 'on', 'with', 'and', 'for', 'all'];

    /** How well a word fits that is only another word for a command. */
    private const OTHER = 3.0;

    /** Words of a line, at most. */
    private const LONG = 24;

    /**
     * @param  Timeline|null  $time  by which places are counted; null where no song is open
     * @param  string  $context  where it is typed: songs, song, roll
     * @return array{found: list<array{command: string, params: array<string, mixed>}>, stopped: string} what it may mean, and where it could not be read on where it means nothing
     */
    public static function read(string $line, string $context, ?Timeline $time = null): array
    {
        $words = array_values(array_filter(preg_split('/\s+/u', trim($line)) ?: [], static fn (string $w): bool => $w !== ''));
        if ($words === [] || count($words) > self::LONG) {
            return ['found' => [], 'stopped' => $words === [] ? '' : 'A line is at most '.self::LONG.' words long.'];
        }
        $found = [];
        $named = null;
        $edits = Catalogue::classes();
        foreach (Commands::all() as $id => $command) {
            // What only a gesture or a form asks for cannot be asked for by a line.
            if (! $command->spec->asked || (! in_array($context, $command->contexts, true) && ! in_array('any', $command->contexts, true))) {
                continue;
            }
            foreach ($id === 'set' ? self::settings($command) : [[$command->spec->title, $id, $command->spec->words, $command->spec->params, $command->forms]] as [$title, $name, $others, $params, $forms]) {
                [$one, $left, $score] = self::one($words, $title, $name, $others, $params, $forms);
                // What changes music comes before what the interface does by the same word.
                $score -= isset($edits[$id]) || $id === 'go' ? 0 : ($id === 'set' ? 1 : 1.5);
                if ($one !== null && ($one !== [] || $params !== [])) {
                    $found[] = ['command' => $id, 'params' => self::placed($one, $time), 'score' => $score];
                } elseif ($left !== null && ($named === null || $score > $named[2])) {
                    $named = [$title, $left, $score];
                }
            }
        }
        usort($found, static fn (array $a, array $b): int => $b['score'] <=> $a['score']);
        $best = [];
        foreach ($found as ['command' => $command, 'params' => $params]) {
            $best[$command.json_encode($params)] = ['command' => $command, 'params' => $params];
        }

        return ['found' => array_slice(array_values($best), 0, self::MOST), 'stopped' => $best !== [] ? '' : ($named === null ? "No command begins with “{$words[0]}”." : "“{$named[0]}” cannot use “{$named[1]}”.")];
    }

    /**
     * What belongs to the part, each setting by its own name.
     *
     * @return list<array{string, string, list<string>, list<Param>, list<array{title: string, params: array<string, mixed>, words?: list<string>}>}>
     */
    private static function settings(Command $set): array
    {
        return array_map(static fn (Param $p): array => [$p->title, strtolower($p->name), [], [$p], []], $set->spec->params);
    }

    /**
     * A line read as one command.
     *
     * @param  list<string>  $words
     * @param  list<string>  $others
     * @param  list<Param>  $params
     * @param  list<array{title: string, params: array<string, mixed>, words?: list<string>}>  $forms
     * @return array{array<string, mixed>|null, string|null, float} its parameters, or where it stopped (null where it is not named), and how well it fits
     */
    private static function one(array $words, string $title, string $id, array $others, array $params, array $forms): array
    {
        $first = self::plain($words[0]);
        $score = max(self::likeness($first, self::plain($title), 6), self::likeness($first, str_replace('-', ' ', $id), 6), ...array_map(static fn (string $w): float => self::likeness($first, self::plain($w), self::OTHER), $others ?: ['']));
        if ($score === 0.0) {
            return [null, null, 0.0];
        }
        $best = null;
        $given = [];
        $stopped = null;
        // Where it is no name of the command's own, the first word may be one of a form: octave up.
        self::fill($first, $score > self::OTHER ? array_slice($words, 1) : $words, $params, $given, $score, self::vocabulary($title, $id, $others), $forms, $best, $stopped);
        if ($best === null) {
            return [null, $stopped ?? $words[0], $score];
        }
        foreach ($params as $param) {
            if ($param->isRequired() && ! array_key_exists($param->name, $best[0])) {
                return [null, $words[count($words) - 1], $score - 3];
            }
        }

        return [$best[0], null, $best[1]];
    }

    /**
     * Gives the words left to parameters, in every way that goes.
     *
     * @param  string  $first  word of the line, which may name a parameter
     * @param  list<string>  $left
     * @param  list<Param>  $params
     * @param  array<string, mixed>  $given
     * @param  array<string, true>  $vocabulary
     * @param  list<array{title: string, params: array<string, mixed>, words?: list<string>}>  $forms
     * @param  array{array<string, mixed>, float}|null  $best
     */
    private static function fill(string $first, array $left, array $params, array $given, float $score, array $vocabulary, array $forms, ?array &$best, ?string &$stopped): void
    {
        if ($left === []) {
            if ($best === null || $score > $best[1]) {
                $best = [$given, $score];
            }

            return;
        }
        $went = false;
        foreach ($params as $i => $param) {
            $typed = array_key_exists($param->name, $given) ? null : $param->kind->typed($left);
            if ($typed === null) {
                continue;
            }
            $went = true;
            $signed = preg_match('/^[+\-−]/u', $left[0]) === 1;
            $fit = 2 - 0.2 * $i + ($param->isRequired() ? 2 : 0) + ($typed[1] > 1 ? 1 : 0)
                + ($param->adds ? ($signed ? 2 : -0.5) : ($signed ? -3 : 0)) + (str_contains($left[0], '%') ? 2 : 0) + (in_array($first, [strtolower($param->name), explode(' ', self::plain($param->title))[0]], true) ? 2 : 0)
                // A text takes anything: where something else reads the words, that is meant.
                - (! $param->isRequired() && ($param->kind instanceof Text || $param->kind instanceof Name) ? 1.2 : 0);
            self::fill($first, array_slice($left, $typed[1]), $params, [$param->name => $typed[0]] + $given, $score + $fit, $vocabulary, $forms, $best, $stopped);
        }
        $word = self::plain($left[0]);
        foreach ($forms as $form) {
            $said = self::vocabulary($form['title'], '', $form['words'] ?? []);
            if (isset($said[$word]) && array_intersect_key($form['params'], $given) === []) {
                $went = true;
                // What the form says besides is passed over: "up" after "octave".
                $rest = array_values(array_filter($left, static fn (string $w): bool => ! isset($said[self::plain($w)])));
                self::fill($first, $rest, $params, $form['params'] + $given, $score + 1.5 * (count($left) - count($rest)) - count($said) / 20, $vocabulary, [], $best, $stopped);
            }
        }
        if (isset($vocabulary[$word]) || in_array($word, self::FILLING, true)) {
            $went = true;
            self::fill($first, array_slice($left, 1), $params, $given, $score + (isset($vocabulary[$word]) ? 0.5 : 0), $vocabulary, $forms, $best, $stopped);
        }
        if (! $went) {
            $stopped = $left[0];
        }
    }

    /** How like a first word a name is: all of it, its first word, a word of it, or the beginning of one. */
    private static function likeness(string $word, string $name, float $full): float
    {
        $parts = explode(' ', $name);

        return match (true) {
            $name === '' => 0.0,
            $word === $name => $full,
            $word === $parts[0] => $full - 0.5,
            in_array($word, $parts, true) => $full - 2,
            mb_strlen($word) >= 4 && str_starts_with($parts[0], $word) => $full - 2.5,
            default => 0.0,
        };
    }

    /**
     * @param  list<string>  $others
     * @return array<string, true>
     */
    private static function vocabulary(string $title, string $id, array $others): array
    {
        return array_fill_keys(explode(' ', self::plain("$title ".str_replace('-', ' ', $id).' '.implode(' ', $others))), true);
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}\/#+.%−-]+/u', ' ', mb_strtolower($text)));
    }

    /**
     * @param  array<string, mixed>  $params
     * @return array<string, mixed> with places counted
     */
    private static function placed(array $params, ?Timeline $time): array
    {
        return array_map(static fn (mixed $v): mixed => $v instanceof Position ? ($time === null ? 0 : $v->tick($time)) : $v, $params);
    }
}
