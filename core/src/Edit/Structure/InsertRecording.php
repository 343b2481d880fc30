<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Coalescing;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Timing\Quantize;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Recording\Event;
use Jactonic\Core\Recording\LoopPass;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Time\Lines;

/**
 * Takes in what was played, as raw seconds since the take began: through the tempos into ticks, less the latency. A
 * take comes in pieces, those of one round of a loop are one step of the history. What is selected stays selected.
 *
 * A note goes where it was played. Played before the song's start it goes to the start; more than EARLY before the
 * take it is left out and counted. In a loop, one held over the end is cut there, and one struck shortly before the
 * end that lasts longer after it was meant for the next round, and goes to the loop's start. With a punch, only what
 * begins inside it is taken, ends cut at its end. Quantized, starts go to the part's grid with its swing and strength;
 * the drift keeps how it was played. In replace, the notes that begin in the stretch from `since` to `until` give way.
 */
final class InsertRecording implements Coalescing, Edit
{
    /** Seconds: what is played up to so long before a take was meant for it. */
    public const EARLY = 0.15;

    /** Seconds: what is struck up to so long before a loop's end, or before a punch, may be meant for what follows. */
    private const ANTICIPATED = 0.06;

    private const TICK = PHP_INT_MAX >> 20;

    public static function spec(): Spec
    {
        return new Spec('insert-recording', 'Insert recorded notes', Family::Structure, 'Inserts what was played, in raw seconds, into the part.', [
            Param::played('events', 'What was played'),
            Param::integer('from', 'Tick at which the take began', 0, self::TICK, 0, 'ticks'),
            Param::integer('take', 'Number of the take', 0, self::TICK, 0),
            Param::integer('round', 'Round', 1, 1_000_000, 1),
            Param::integer('loopFrom', 'Loop from', 0, self::TICK, unit: 'ticks', optional: true),
            Param::integer('loopTo', 'Loop to', 1, self::TICK, unit: 'ticks', optional: true),
            Param::integer('punchFrom', 'Only from', 0, self::TICK, unit: 'ticks', optional: true),
            Param::integer('punchTo', 'Only to', 1, self::TICK, unit: 'ticks', optional: true),
            Param::number('latency', 'Latency', -1000, 1000, 0.0, 'ms'),
            Param::choice('timing', 'Timing', ['raw' => 'as played', 'quantized' => 'quantized'], 'raw'),
            Param::choice('mode', 'What is there already', ['overdub', 'replace'], 'overdub'),
            Param::number('since', 'Replace from', -Event::LATEST, Event::LATEST, unit: 's', optional: true),
            Param::number('until', 'Replace to', -Event::LATEST, Event::LATEST, unit: 's', optional: true),
        ], Requires::Part, ['recording', 'take', 'play in', 'overdub'], keeps: true, asked: false, examples: [
            ['events' => [['on' => 0.49, 'off' => 0.9, 'pitch' => 60, 'velocity' => 80], ['at' => 0.5, 'kind' => 'controller', 'data' => [64, 127]]]],
            ['events' => [['on' => 0.1, 'off' => 0.3, 'pitch' => 60, 'velocity' => 80], ['on' => 5.0, 'off' => 5.2, 'pitch' => 64, 'velocity' => 1]], 'from' => 960, 'loopFrom' => 960, 'loopTo' => 4800, 'timing' => 'quantized', 'latency' => 12.5],
        ], formerIds: ['take-in']);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $part = $input->part();
        $loop = self::stretch($input, 'loop');
        $punch = self::stretch($input, 'punch');
        $round = new LoopPass($input->time()->tempos, $params->integer('from'), $loop);
        $settings = $part->settings();
        $lines = $params->choice('timing') === 'quantized' ? $input->time()->lines($settings->grid, $settings->swing) : null;
        $latency = $params->number('latency') / 1e3;
        $builder = new ChangeBuilder;
        $replaced = $params->choice('mode') === 'replace' ? $this->replace($input, $builder, $part, $round, $loop, $punch) : 0;
        $early = $outside = 0;
        foreach ($params->played('events') as $event) {
            if ($event->on - $latency < -self::EARLY) {
                $early++;

                continue;
            }
            if (! $event->isNote()) {
                [, $place] = $round->place($event->on - $latency);
                $tick = max(0, Note::whole($place));
                if ($punch === null || ($tick >= $punch[0] && $tick < $punch[1])) {
                    $builder->putPoint($part, new Point($builder->newPointId($part), $tick, $event->status | $part->channel(), $event->data1, $event->data2));
                }

                continue;
            }
            $note = self::note($event, $latency, $round, $loop, $punch, $builder->newId($part), $part->channel());
            if ($note === null) {
                $outside++;

                continue;
            }
            $builder->put($part, $lines === null ? $note : self::quantized($note, $lines, $settings->strength, $loop));
        }
        $change = $builder->change();
        $warnings = [];
        if ($early > 0) {
            $warnings[] = ($early === 1 ? '1 was played before the take and is' : "$early were played before the take and are").' left out.';
        }
        if ($outside > 0) {
            $warnings[] = ($outside === 1 ? '1 note was played outside the span and is' : "$outside notes were played outside the span and are").' left out.';
        }

        return new Outcome($change, $input->selection, self::words(self::taken($change), $loop === null ? 0 : $params->integer('round'), $replaced, $lines?->grid->name ?? ''), $warnings);
    }

    public static function joined(array $last, array $next): ?array
    {
        $pieces = ['events' => 0, 'since' => 0, 'until' => 0];
        if (($last['take'] ?? 0) === 0 || array_diff_key($last, $pieces) != array_diff_key($next, $pieces)) {
            return null;
        }
        $events = static fn (array $p): array => is_array($p['events'] ?? null) ? $p['events'] : [];

        return ['events' => [...$events($last), ...$events($next)]] + $last;
    }

    public static function sentence(Change $change, array $params): string
    {
        $round = $params['round'] ?? 1;

        return self::words(self::taken($change), isset($params['loopTo']) && is_int($round) ? $round : 0, 0, '');
    }

    private static function words(int $notes, int $round, int $replaced, string $grid): string
    {
        return ($round === 0 ? '' : "Round $round: ").Wording::notes($notes).' recorded'.($grid === '' ? '' : ", on $grid")
            .($replaced === 0 ? '.' : sprintf('; %s replaced.', Wording::notes($replaced)));
    }

    private static function taken(Change $change): int
    {
        $taken = 0;
        foreach ($change->parts as $part) {
            $taken += count($part->notes->coming());
        }

        return $taken;
    }

    /**
     * @param  array{int, int}|null  $loop
     * @param  array{int, int}|null  $punch
     */
    private static function note(Event $event, float $latency, LoopPass $round, ?array $loop, ?array $punch, int $id, int $channel): ?Note
    {
        [$in, $start] = $round->place($event->on - $latency);
        [$out, $end] = $round->place($event->off - $latency);
        $drift = 0;
        if ($loop !== null && $out > $in) {
            [$next] = $round->place($event->on - $latency + self::ANTICIPATED);
            [$half] = $round->place(($event->on + $event->off) / 2 - $latency);
            if ($next > $in && $half > $in) {
                $drift = max(-$loop[0], Note::whole($start) - $loop[1]);
                $start = (float) $loop[0];
                $end = $out > $in + 1 ? (float) $loop[1] : $end;
            } else {
                $end = (float) $loop[1];
            }
        }
        if ($punch !== null) {
            [, $meant] = $round->place($event->on - $latency + self::ANTICIPATED);
            if ($start >= $punch[1] || ($start < $punch[0] && ($meant < $punch[0] || $meant >= $punch[1] || $end <= $punch[0]))) {
                return null;
            }
            $end = min($end, (float) $punch[1]);
        }
        $first = max(0, Note::whole($start));

        return new Note($id, $first, max(1, Note::whole($end) - $first), $event->data1, $event->data2, $event->release, channel: $channel, driftStart: $drift);
    }

    /** @param  array{int, int}|null  $loop */
    private static function quantized(Note $note, Lines $lines, int $strength, ?array $loop): Note
    {
        $start = Quantize::toward($note->start, $lines->nearest($note->start), $lines, $strength, 100);
        if ($loop === null || $start < $loop[1]) {
            return $note->retimed($start, $loop === null || $note->start < $loop[0] ? $note->length : max(1, min($note->length, $loop[1] - $start)));
        }

        // Meant for the line on which the loop begins again.
        return new Note($note->id, $loop[0], $note->length, $note->pitch, $note->velocity, $note->release, channel: $note->channel,
            driftStart: max(-$loop[0], $note->start - $loop[1]));
    }

    /**
     * Takes away what begins in the stretch that was played over.
     *
     * @param  array{int, int}|null  $loop
     * @param  array{int, int}|null  $punch
     * @return int how many notes
     */
    private function replace(EditInput $input, ChangeBuilder $builder, Part $part, LoopPass $round, ?array $loop, ?array $punch): int
    {
        $params = $input->params;
        if (! $params->has('since') || ! $params->has('until')) {
            throw Refusal::missing('until', 'the stretch to replace, in seconds, with since');
        }
        $latency = $params->number('latency') / 1e3;
        [$in, $from] = $round->place($params->number('since'));
        [$out, $to] = $round->place($params->number('until'));
        if ($loop !== null && $out > $in) {
            $to = $loop[1];
        }
        [$from, $to] = [max($from, $punch[0] ?? 0), min($to, $punch[1] ?? INF)];
        $kinds = [];
        foreach ($params->played('events') as $event) {
            if (! $event->isNote() && $event->on - $latency >= -self::EARLY) {
                $kinds[$event->status << 7 | ($event->status === 0xB0 ? $event->data1 : 0)] = true;
            }
        }
        foreach ($part->shownPoints() as $point) {
            $status = $point->status & 0xF0;
            if ($point->tick >= $from && $point->tick < $to && isset($kinds[$status << 7 | ($status === 0xB0 ? $point->data1 : 0)])) {
                $builder->dropPoint($part, $point);
            }
        }
        $gone = 0;
        foreach ($part->inOrder() as $note) {
            if ($note->start >= $from && $note->start < $to) {
                $builder->drop($part, $note);
                $gone++;
            }
        }

        return $gone;
    }

    /**
     * @param  'loop'|'punch'  $name
     * @return array{int, int}|null
     *
     * @throws Refusal where it is none
     */
    private static function stretch(EditInput $input, string $name): ?array
    {
        $params = $input->params;
        if (! $params->has($name.'From') && ! $params->has($name.'To')) {
            return null;
        }
        $stretch = [$params->integer($name.'From'), $params->integer($name.'To')];

        return $stretch[1] > $stretch[0] ? $stretch : throw Refusal::parameter($name.'To', $stretch[1], 'a tick after '.$name.'From');
    }
}
