<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\BendRange;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Sounding\Performance;
use Jactonic\Core\Standard\GeneralMidi;

/** What edits of notes' own curves have in common. */
final class NoteCurve
{
    /** A bend has more values than are told apart: it goes by steps of so much. */
    private const BEND_STEP = 16;

    /**
     * Gives each selected note other points in a lane of its own.
     *
     * @param  \Closure(Note, Part): list<array{int, int}>  $points  in ticks from its start, in units of the lane
     * @param  \Closure(int): string  $said  from how many notes it was
     *
     * @throws Refusal where drums are among them, which have one channel for all
     */
    public static function draw(EditInput $input, Lane $lane, \Closure $points, \Closure $said): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                if ($note->channel === GeneralMidi::DRUM_CHANNEL) {
                    throw new Refusal('All drums share one channel, so a single one cannot have curves: nothing changed.');
                }
                $own = Expression::of($note->own)->with($lane, $points($note, $part));
                $builder->put($part, $note->with(['own' => $own->text()]));
                $count++;
            }
        }
        $change = $builder->change();
        $outcome = new Outcome($change, $input->selection, $said($count));
        $score = $change->applyTo($input->score);
        $voices = array_merge(...array_values(array_map(static fn (Part $p): array => $p->notes->hasOther('own') ? Performance::of($p, $score)->voices : [], $score->parts)));
        [, $shared] = Performance::spread($voices, Performance::free($score));

        return $shared === null ? $outcome : $outcome->warn(sprintf('From %s on more notes with curves of their own sound at once than there are free channels: those beyond share one in the file.', $input->time()->position($shared)));
    }

    /**
     * As few points as show a curve, looked at every hundredth of a second.
     *
     * @param  int  $from  ticks from the note's start
     * @param  \Closure(float, float): float  $value  from the share of the stretch, 0 to 1, and its seconds, to units of the lane
     * @param  float  $step  of so many units is a bend made
     * @param  bool  $isExact  whether no tick between two looks may be farther off than half a step; for what only rises or only falls
     * @return list<array{int, int}>
     */
    public static function sample(EditInput $input, Note $note, Lane $lane, int $from, int $to, \Closure $value, float $step = self::BEND_STEP, bool $isExact = false): array
    {
        [$least, $most] = $lane->range();
        $step = $least < 0 ? $step : 1.0;
        $begin = $input->time()->tempos->seconds($note->start + $from);
        $every = LaneCurve::every($input, $note->start + $from);
        $at = static fn (int $tick): int => (int) max($least, min($most, round(round($value(($tick - $from) / max(1, $to - $from), $input->time()->tempos->seconds($note->start + $tick) - $begin) / $step) * $step)));
        $points = [];
        $last = null;
        for ($tick = $from; $last === null || $tick < $to + $every; $tick += $every) {
            // Where it ends is looked at whatever the distance of the last look.
            $tick = min($tick, $to);
            foreach ($isExact && $last !== null ? LaneCurve::changes($at, $points[count($points) - 1][0], $tick) : [$tick => $at($tick)] as $where => $is) {
                if ($is !== $last) {
                    $points[] = [$where, $is];
                    $last = $is;
                }
            }
        }

        return $points;
    }

    /** How a number of cents is said: "+2 semitones", "−30 cents". */
    public static function words(float $cents): string
    {
        $sign = $cents > 0 ? '+' : ($cents < 0 ? '−' : '');
        $whole = intdiv((int) round(abs($cents)), 100);
        $rest = (int) round(abs($cents)) % 100;
        $parts = [...($whole > 0 ? [$whole === 1 ? '1 semitone' : "$whole semitones"] : []), ...($rest > 0 || $whole === 0 ? [$rest === 1 ? '1 cent' : "$rest cents"] : [])];

        return $sign.implode(' ', $parts);
    }

    /** A cent by the range that holds in a part, in units of a bend; at least one. */
    public static function cent(EditInput $input, Part $part): float
    {
        return max(1.0, self::units($input, $part, Lane::parse('bend'), 1));
    }

    /**
     * What is given for a lane in its units: cents of a bend by the range that holds in the part, else as it is.
     *
     * @throws Refusal for a bend beyond that range, which it names
     */
    public static function units(EditInput $input, Part $part, Lane $lane, float $amount): float
    {
        if ($lane->name !== 'bend') {
            return $amount;
        }
        $range = BendRange::ofPart($part, $input->score->channelOf($part));
        if (abs($amount) > $range) {
            throw new Refusal(sprintf('A bend of %s does not fit: the bend range of “%s” is %s. Widen that first.', self::words($amount), $part->name, ltrim(self::words($range), '+')));
        }

        return $amount / $range * 8192;
    }

    /** A bend in units of the message, as cents by the range that holds in the part. */
    public static function cents(EditInput $input, Part $part, int $units): float
    {
        return $units * BendRange::ofPart($part, $input->score->channelOf($part)) / 8192;
    }

    /**
     * The points of a lane with others in a stretch.
     *
     * @param  list<array{int, int}>  $points
     * @return list<array{int, int}>
     */
    public static function replaced(Note $note, Lane $lane, int $from, int $to, array $points): array
    {
        return [...array_filter(Expression::of($note->own)->points($lane), static fn (array $p): bool => $p[0] < $from || $p[0] > $to), ...$points];
    }

    /** The lane that is named, else the bend. */
    public static function lane(EditInput $input): Lane
    {
        return $input->params->has('lane') ? $input->params->lane('lane') : Lane::parse('bend');
    }
}
