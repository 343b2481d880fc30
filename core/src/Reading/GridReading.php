<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\GatherWindow;
use Jactonic\Core\Shape;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/**
 * Reads out of playing which grid it wants. Nothing changes; the places that are read are the played ones.
 *
 * Each candidate is weighed by how many words it takes to tell the playing with it: a fine grid has many lines to
 * select from (the logarithm of its lines), a coarse one leaves large distances (the logarithm of their spread about
 * their mean, at least FLOOR, since nobody plays nearer; someone who is always as late is late, not swinging). So a
 * finer grid that brings notes no nearer loses to the coarser one. Recommended is the lightest of those that merge nothing (or, where notes lie on one another as played, no more
 * than the finest). A swung candidate stands at the swing that fits best.
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

    /** Below this a swing is none: it could not be heard, and loose hands bring as much by chance. */
    private const LEAST_SWING = 52.5;

    /** Where a guess at how late all is played begins, and how late is nothing unusual, in ms. */
    private const LATENESSES = [0.0, 14.0, -14.0];

    private const USUAL_LATENESS = 12.0;

    private const ENOUGH = 1500;

    /** What each chord weighs that would come to lie on another. */
    private const MERGED = 4.0;

    /** How many of ten takes are late or early on the whole: the others only by chance. */
    private const SHIFTED = 7;

    /** Where a guess at the swing begins: straight, light, triplet, heavy. */
    private const GUESSES = [52.0, 58.0, 66.67, 73.0];

    public static function spec(): Spec
    {
        return new Spec('grid-reading', 'Grid reading', Family::Timing, 'Finds the grid that fits the playing.', [], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object([
            'notes' => Shape::whole(0),
            'grids' => Shape::list(Shape::object([
                'grid' => Shape::text(), 'swing' => Shape::number(50, 75),
                'mean' => Shape::told('Distance from the line in ms.', Shape::number(0)), 'largest' => Shape::number(0), 'off' => Shape::told('The mean with its sign, in ms.', Shape::number()),
                'share' => Shape::told('Notes within reach of a line.', Shape::number(0, 1)), 'merges' => Shape::whole(0), 'weight' => Shape::number(),
            ])),
            'swing' => Shape::nullable(Shape::number()),
            'beat' => Shape::told('Notes in each part of a quarter, from the beat on.', Shape::list(Shape::whole(0))),
            'best' => Shape::nullable(Shape::object(['grid' => Shape::text(), 'swing' => Shape::number()])),
            'said' => Shape::text(),
        ]);
    }

    public function read(EditInput $input): array
    {
        return self::of(Readings::notes($input), $input->time());
    }

    /**
     * @param  list<Note>  $notes
     * @return array{notes: int, grids: list<Weighed>, swing: float|null, beat: list<int>, best: array{grid: string, swing: float}|null, said: string}
     *         grids in order of fit, the lightest first; distances in ms (`off` with its sign, above 0 for late), share 0 to 1
     */
    public static function of(array $notes, Timeline $time): array
    {
        $played = array_values(array_filter($notes, static fn (Note $n): bool => ! $n->muted));
        $chords = self::chords($played, $time);
        $grids = [];
        foreach (self::CANDIDATES as $name) {
            $grids[] = self::weigh($chords, $time, $name, Lines::STRAIGHT);
        }
        $swing = null;
        $lightest = INF;
        foreach ($played === [] ? [] : self::SWUNG as $name) {
            $found = self::swing($chords, $time, Grid::parse($name));
            if ($found >= self::LEAST_SWING) {
                $one = self::weigh($chords, $time, $name, $found);
                $grids[] = $one;
                [$swing, $lightest] = $one['weight'] < $lightest ? [$found, $one['weight']] : [$swing, $lightest];
            }
        }
        usort($grids, static fn (array $a, array $b): int => $a['weight'] <=> $b['weight']);
        $best = $grids[0];
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
        return $swing > Lines::STRAIGHT ? "$grid swung ".Wording::number($swing).' %' : $grid;
    }

    /** @param  Weighed  $best */
    private static function say(array $best, int $count): string
    {
        $said = sprintf('The playing fits %s: %d of %s within %s, %s off on average', self::name($best['grid'], $best['swing']),
            (int) round($best['share'] * $count), Wording::notes($count), Wording::ms(self::REACH), Wording::ms($best['mean']));
        if (abs($best['off']) >= 5) {
            $said .= sprintf(', all in all %s %s', Wording::ms(abs($best['off'])), $best['off'] > 0 ? 'late' : 'early');
        }

        return $said.($best['merges'] === 0 ? '; none would merge.' : "; $best[merges] would merge.");
    }

    /**
     * The notes by what was struck together: those of other pitches within the gather window of a first one. A chord
     * that is strummed was meant for one place, the middle of its strokes.
     *
     * @param  list<Note>  $notes in order
     * @return list<array{float, list<Note>}> places in ticks, with their notes
     */
    private static function chords(array $notes, Timeline $time): array
    {
        usort($notes, static fn (Note $a, Note $b): int => $a->playedStart() <=> $b->playedStart());
        $chords = $rows = [];
        $until = -1.0;
        $window = GatherWindow::of(array_map(static fn (Note $n): int => max(0, $n->playedStart()), $notes), $time);
        foreach ($notes as $note) {
            $start = max(0, $note->playedStart());
            $row = $note->channel << 7 | $note->pitch;
            $last = count($chords) - 1;
            if ($last < 0 || $start > $until || isset($rows[$row])) {
                $chords[++$last] = [0.0, []];
                $rows = [];
                $until = $time->tempos->shift($start, $window);
            }
            $rows[$row] = true;
            [$sum, $struck] = $chords[$last];
            $chords[$last] = [$sum + $start, [...$struck, $note]];
        }

        return array_map(static fn (array $chord): array => [$chord[0] / count($chord[1]), $chord[1]], array_values($chords));
    }

    /**
     * @param  list<array{float, list<Note>}>  $chords
     * @return Weighed
     */
    private static function weigh(array $chords, Timeline $time, string $name, float $swing): array
    {
        $grid = Grid::parse($name);
        $lines = $time->lines($grid, $swing);
        [$late, $spread] = self::lateness($chords, $time, $lines);
        $sum = $signed = $largest = 0.0;
        $near = $merges = $count = $clashes = 0;
        $taken = $meant = [];
        foreach ($chords as [$place, $notes]) {
            // Where it was meant: two chords of one pitch were not meant for one line.
            $line = $lines->nearest(max(0, (int) round($time->tempos->shift($place, -$late))));
            $rows = array_map(static fn (Note $n): int => $n->channel << 7 | $n->pitch, $notes);
            $clashes += array_intersect_key($meant[$line] ?? [], array_flip($rows)) === [] ? 0 : 1;
            $meant[$line] = ($meant[$line] ?? []) + array_fill_keys($rows, true);
            foreach ($notes as $note) {
                $start = max(0, $note->playedStart());
                $line = $lines->nearest($start);
                $ms = $time->tempos->milliseconds($line, $start);
                $away = abs($ms);
                $sum += $away;
                $signed += $ms;
                $largest = max($largest, $away);
                $near += $away <= self::REACH ? 1 : 0;
                $row = $note->channel << 7 | $note->pitch;
                $merges += isset($taken[$row][$line]) ? 1 : 0;
                $taken[$row][$line] = true;
                $count++;
            }
        }
        $n = max(1, count($chords));
        $count = max(1, $count);
        [$numerator, $denominator] = $grid->cell($time->ppq);
        $density = $time->ppq * $denominator / $numerator;

        return [
            'grid' => $name, 'swing' => $swing, 'mean' => round($sum / $count, 2), 'largest' => round($largest, 2), 'off' => round($signed / $count, 2),
            'share' => round($near / $count, 4), 'merges' => $merges,
            'weight' => $n * (log(max(self::FLOOR, $spread)) + log($density))
                + ($late / self::USUAL_LATENESS) ** 2 / 2 + self::MERGED * $clashes,
        ];
    }

    /**
     * How late all is played, taken off before chords are dealt to lines: where that lets them lie nearest.
     *
     * @param  list<array{float, list<Note>}>  $chords
     * @return array{float, float} ms, and the spread about it
     */
    private static function lateness(array $chords, Timeline $time, Lines $lines): array
    {
        // Of very many every so-manieth tells as much.
        $every = intdiv(count($chords), self::ENOUGH) + 1;
        $chords = array_values(array_filter($chords, static fn (int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY));
        $best = [0.0, INF];
        foreach (self::LATENESSES as $late) {
            $spread = INF;
            for ($round = 0; $round < 3; $round++) {
                $sum = $squares = 0.0;
                foreach ($chords as [$place]) {
                    $start = max(0, (int) round($time->tempos->shift($place, -$late)));
                    $ms = $time->tempos->milliseconds($lines->nearest($start), $place);
                    $sum += $ms;
                    $squares += $ms * $ms;
                }
                $n = max(1, count($chords));
                $mean = $sum / $n;
                $spread = sqrt(max(0.0, $squares / $n - $mean * $mean));
                if (abs($mean - $late) < 0.1) {
                    break;
                }
                $late = $mean;
            }
            if ($spread < $best[1] - 0.01) {
                $best = [$late, $spread];
            }
        }

        return $best[1] === INF ? [0.0, 0.0] : $best;
    }

    /**
     * The swing, 50 to 75 %, that brings the lines nearest: chords are dealt to the lines of their pair, less what all
     * are late, the middle line is put where those dealt to it lie, and so on until it rests. Where those on the beat
     * are late or early, less what may be chance, the middle line is not swung by as much.
     *
     * @param  list<array{float, list<Note>}>  $chords
     */
    private static function swing(array $chords, Timeline $time, Grid $grid): float
    {
        [$n, $d] = $grid->cell($time->ppq);
        $pair = 2 * $n / $d;
        $phases = [];
        $tick = $time->tempos->milliseconds(0, $time->ppq) / $time->ppq;
        foreach ($chords as [$start]) {
            $bar = $time->meters->barAt((int) $start);
            $phases[] = fmod($start - $bar->start, $pair) / $pair * 100;
        }
        $best = Lines::STRAIGHT;
        $least = INF;
        foreach (self::LATENESSES as $offset) {
            foreach (self::GUESSES as $swing) {
                $late = $offset / $tick / $pair * 100;
                $error = 0.0;
                for ($round = 0; $round < 8; $round++) {
                    $sum = $count = $error = $off = $square = $on = 0;
                    foreach ($phases as $phase) {
                        $phase = fmod($phase - $late + 100, 100);
                        $away = $phase > 50 ? $phase - 100 : $phase;
                        if (abs($phase - $swing) < abs($away)) {
                            $sum += $phase;
                            $count++;
                            $away = $phase - $swing;
                        } else {
                            $off += $away;
                            $square += $away * $away;
                            $on++;
                        }
                        $error += $away * $away;
                    }
                    if ($count === 0) {
                        break;
                    }
                    $off /= max(1, $on);
                    $doubt = max(0.0, $square / max(1, $on) - $off * $off) / max(1, $on);
                    // What may be chance is taken for lateness only in part.
                    $taken = $on > 3 ? self::meant($late + $off, $doubt, (self::USUAL_LATENESS / $tick / $pair * 100) ** 2) : 0.0;
                    $swing = max(50.0, min(75.0, $sum / $count - ($taken - $late)));
                    $late = $taken;
                }
                if ($error < $least) {
                    [$best, $least] = [$swing, $error];
                }
            }
        }

        return round($best, 1);
    }

    /**
     * How much of a lateness is meant: all of it, as likely as it is that the take is late on the whole. Of two guesses
     * (it is; it is not, and this is chance) each weighs what it expects of such a lateness, by Bayes’ rule.
     *
     * @param  float  $doubt  how far chance carries it, squared
     * @param  float  $usual  how far takes are late that are, squared, in the same unit
     */
    private static function meant(float $late, float $doubt, float $usual): float
    {
        $doubt = max(1e-9, $doubt);
        $wide = $doubt + $usual;
        $odds = self::SHIFTED / (10 - self::SHIFTED) * sqrt($doubt / $wide) * exp(min(50.0, $late * $late / 2 * (1 / $doubt - 1 / $wide)));

        return $late * $odds / (1 + $odds);
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
