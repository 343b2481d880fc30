<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Outcome;

/** What is said of a command that was done several times over: the whole of it, not its last time. */
final class Rounds
{
    /** How many different sentences are told in full; of more the first and the last are. */
    private const MOST = 3;

    /** @param  non-empty-list<Outcome>  $rounds  what each time came to */
    public static function sentence(array $rounds): string
    {
        $changed = array_values(array_filter($rounds, static fn (Outcome $o): bool => ! $o->change->isEmpty()));
        if ($changed === []) {
            return $rounds[0]->said;
        }
        /** @var list<array{string, int}> $runs each sentence, and how often it was said in a row */
        $runs = [];
        foreach ($changed as $outcome) {
            [$said, $times] = array_pop($runs) ?? ['', 0];
            if ($times > 0 && $said !== $outcome->said) {
                $runs[] = [$said, $times];
                $times = 0;
            }
            $runs[] = [$outcome->said, $times + 1];
        }
        $idle = count($rounds) - count($changed);
        $told = array_map(static fn (array $run): string => self::times(...$run), count($runs) > self::MOST ? [$runs[0], $runs[count($runs) - 1]] : $runs);
        if (count($runs) > self::MOST) {
            $told = ['First: '.$told[0], sprintf('Last, of %d times: %s', count($changed), $told[1])];
        }
        if ($idle > 0) {
            $told[] = sprintf('%s of %d times nothing changed.', $idle === 1 ? '1' : (string) $idle, count($rounds));
        }

        return implode(' ', $told);
    }

    /**
     * The sentence of a step that a held key makes longer.
     *
     * @param  string  $before  of the step so far
     * @param  string  $said  of the time that is added
     * @param  int  $times  how many times it is with that
     */
    public static function longer(string $before, string $said, int $times): string
    {
        [$did, $beside] = self::parts((string) preg_replace('/^([^“]*?), \d+ times\./', '$1.', $before));
        [$does, $besides] = self::parts($said);
        if ($did === $does) {
            return trim(self::times($did, $times).' '.implode(' ', array_unique(array_filter([$beside, $besides], static fn (string $s): bool => $s !== ''))));
        }
        $first = (string) preg_replace('/(?:, \d+ times\.| Last, of \d+ times: .*)$/s', '', (string) preg_replace('/^First: /', '', $before));

        return sprintf('First: %s Last, of %d times: %s', rtrim($first, '.').'.', $times, $said);
    }

    /** @return array{string, string} the first sentence, which says what was done, and what is said beside it */
    private static function parts(string $said): array
    {
        return preg_match('/^(.*?\.) (?=[A-Z“\d])(.*)$/su', $said, $found) === 1 ? [$found[1], $found[2]] : [$said, ''];
    }

    private static function times(string $said, int $times): string
    {
        return $times === 1 ? $said : rtrim($said, '.').", $times times.";
    }
}
