<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/**
 * Reads out of playing which grid it wants. Nothing changes; the places that are read are the played ones.
 *
 * Each candidate is weighed by how many words it takes to tell the playing with it: a fine grid has many lines to
 * choose from (the logarithm of its lines), a coarse one leaves large distances (the logarithm of their spread about
 * their mean, at least FLOOR, since nobody plays nearer; someone who is always as late is late, not swinging). So a finer grid that brings notes no nearer loses to the coarser
 * one. Recommended is the lightest of those that merge nothing (or, where notes lie on one another as played, no more
 * than the finest). A swung candidate stands at the swing that fits best, and weighs a little more for it.
 *
 * @phpstan-type Weighed array{grid: string, swing: float, mean: float, largest: float, off: float, share: float, merges: int, weight: float}
 */
final class GridReading implements Reading
{
    /** Notes no farther than this from a line are within reach, in ms. */
    public const REACH = 25.0;

    /** Parts of a quarter in which the places of notes are counted. */
    public const BINS = 48;

    private const CANDIDATES = ['1/2', '1/4', '1/4D', '1/4T', '1/8', '1/8D', '1/8T', '1/16', '1/16T', '1/32', '1/32T', '1/64'];

    private const SWUNG = ['1/8', '1/16'];

    private const FLOOR = 4.0;

    /** Below this a swing is none: it could not be heard. */
    private const LEAST_SWING = 51.5;

    /** How many standard errors a mean lies off before it is taken for meant. */
    private const BEYOND_CHANCE = 3.0;

    /** Where a guess at the swing begins: straight, light, triplet, heavy. */
    private const GUESSES = [52.0, 58.0, 66.67, 73.0];

    public static function spec(): Spec
    {
        return new Spec('grid-reading', 'Grid reading', Family::Timing, 'Which grid the playing wants.', [], Needs::Part);
    }

    public function read(Work $work): array
    {
        return self::of(Readings::notes($work), $work->time());
    }

    /**
     * @param  list<Note>  $notes
     * @return array{notes: int, grids: list<Weighed>, swing: float|null, beat: list<int>, best: array{grid: string, swing: float}|null, said: string}
     *         grids in order of fit, the lightest first; distances in ms (`off` with its sign, above 0 for late), share 0 to 1
     */
    public static function of(array $notes, Timeline $time): array
    {
        $played = array_values(array_filter($notes, static fn (Note $n): bool => ! $n->muted));
        $grids = [];
        foreach (self::CANDIDATES as $name) {
            $grids[] = self::weigh($played, $time, $name, Lines::STRAIGHT);
        }
        $swing = null;
        $lightest = INF;
        foreach ($played === [] ? [] : self::SWUNG as $name) {
            $found = self::swing($played, $time, Grid::parse($name));
            if ($found >= self::LEAST_SWING) {
                $one = self::weigh($played, $time, $name, $found);
                $grids[] = $one;
                [$swing, $lightest] = $one['weight'] < $lightest ? [$found, $one['weight']] : [$swing, $lightest];
            }
        }
        usort($grids, static fn (array $a, array $b): int => $a['weight'] <=> $b['weight']);
        $best = $grids[0];
        foreach ($grids as $grid) {
            if ($grid['merges'] < $best['merges']) {
                $best = $grid;
            }
        }
        if ($played === []) {
            return ['notes' => 0, 'grids' => [], 'swing' => null, 'beat' => self::beat([], $time), 'best' => null, 'said' => 'There are no notes to read a grid from.'];
        }

        return [
            'notes' => count($played),
            'grids' => $grids,
            'swing' => $swing,
            'beat' => self::beat($played, $time),
            'best' => ['grid' => $best['grid'], 'swing' => $best['swing']],
            'said' => self::say($best, count($played)),
        ];
    }

    /** A grid as a person says it: "1/16", "1/8 swung 62 %". */
    public static function name(string $grid, float $swing): string
    {
        return $swing > Lines::STRAIGHT ? "$grid swung ".Say::number($swing).' %' : $grid;
    }

    /** @param  Weighed  $best */
    private static function say(array $best, int $count): string
    {
        $said = sprintf('The playing fits %s: %d of %s within %s, %s off on average', self::name($best['grid'], $best['swing']),
            (int) round($best['share'] * $count), Say::notes($count), Say::ms(self::REACH), Say::ms($best['mean']));
        if (abs($best['off']) >= 5) {
            $said .= sprintf(', all in all %s %s', Say::ms(abs($best['off'])), $best['off'] > 0 ? 'late' : 'early');
        }

        return $said.($best['merges'] === 0 ? '; none would merge.' : "; $best[merges] would merge.");
    }

    /**
     * @param  list<Note>  $notes
     * @return Weighed
     */
    private static function weigh(array $notes, Timeline $time, string $name, float $swing): array
    {
        $grid = Grid::parse($name);
        $lines = $time->lines($grid, $swing);
        $sum = $signed = $squares = $largest = 0.0;
        $near = $merges = 0;
        $taken = [];
        foreach ($notes as $note) {
            $start = max(0, $note->playedStart());
            $line = $lines->nearest($start);
            $ms = $time->tempos->milliseconds($line, $start);
            $away = abs($ms);
            $sum += $away;
            $signed += $ms;
            $squares += $away * $away;
            $largest = max($largest, $away);
            $near += $away <= self::REACH ? 1 : 0;
            $row = $note->channel << 7 | $note->pitch;
            $merges += isset($taken[$row][$line]) ? 1 : 0;
            $taken[$row][$line] = true;
        }
        $n = max(1, count($notes));
        [$numerator, $denominator] = $grid->cell($time->ppq);
        $density = $time->ppq * $denominator / $numerator;

        return [
            'grid' => $name, 'swing' => $swing, 'mean' => round($sum / $n, 2), 'largest' => round($largest, 2), 'off' => round($signed / $n, 2),
            'share' => round($near / $n, 4), 'merges' => $merges,
            'weight' => $n * (log(max(self::FLOOR, sqrt(max(0.0, $squares / $n - ($signed / $n) ** 2)))) + log($density)) + ($swing > Lines::STRAIGHT ? log($n) / 2 : 0.0),
        ];
    }

    /**
     * The swing, 50 to 75 %, that brings the lines nearest to the notes: notes are dealt to the lines of their pair, the
     * middle line is put where those dealt to it lie, and so on until it rests. Where those on the beat are late or
     * early beyond chance, the middle line is not swung by as much.
     *
     * @param  list<Note>  $notes
     */
    private static function swing(array $notes, Timeline $time, Grid $grid): float
    {
        [$n, $d] = $grid->cell($time->ppq);
        $pair = 2 * $n / $d;
        $phases = [];
        foreach ($notes as $note) {
            $start = max(0, $note->playedStart());
            $bar = $time->meters->barAt($start);
            $phases[] = fmod($start - $bar->start, $pair) / $pair * 100;
        }
        $best = Lines::STRAIGHT;
        $least = INF;
        foreach (self::GUESSES as $swing) {
            $error = 0.0;
            for ($round = 0; $round < 8; $round++) {
                $sum = $count = $error = $late = $square = $on = 0;
                foreach ($phases as $phase) {
                    $away = $phase > 50 ? $phase - 100 : $phase;
                    if (abs($phase - $swing) < abs($away)) {
                        $sum += $phase;
                        $count++;
                        $away = $phase - $swing;
                    } else {
                        $late += $away;
                        $square += $away * $away;
                        $on++;
                    }
                    $error += $away * $away;
                }
                if ($count === 0) {
                    break;
                }
                $late /= max(1, $on);
                $doubt = sqrt(max(0.0, $square / max(1, $on) - $late * $late) / max(1, $on));
                $swing = max(50.0, min(75.0, $sum / $count - ($on > 3 && abs($late) > self::BEYOND_CHANCE * $doubt ? $late : 0.0)));
            }
            if ($error < $least) {
                [$best, $least] = [$swing, $error];
            }
        }

        return round($best, 1);
    }

    /**
     * How many notes fall into each part of a quarter, counted from the bar line; the first bin is about the beat.
     *
     * @param  list<Note>  $notes
     * @return list<int>
     */
    private static function beat(array $notes, Timeline $time): array
    {
        $bins = array_fill(0, self::BINS, 0);
        foreach ($notes as $note) {
            $start = max(0, $note->playedStart());
            $off = ($start - $time->meters->barAt($start)->start) / $time->ppq;
            $bins[(int) floor(fmod($off, 1) * self::BINS + 0.5) % self::BINS]++;
        }

        return array_values($bins);
    }
}
