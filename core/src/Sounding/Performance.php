<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/**
 * What is heard of a part with its articulations sent and its notes' own curves on channels of their own. A part that
 * has neither is heard as `Sounding` says. The exporter and the player both go by this.
 *
 * What an articulation says is sent before the note that needs it, and only when it changes; a key that switches 1/128
 * early. At one tick what a part has itself comes first.
 */
final readonly class Performance
{
    /** A note's channel is its own for so many milliseconds after its end: what rings on is not bent with the next. */
    public const RELEASE = 1000;

    /** Controllers that are told in pieces, each meaning what the one before it says: all are told, in order. */
    private const IN_PIECES = [6, 38, 96, 97, 98, 99, 100, 101];

    /** Where what articulations send stands among what is told at one tick: behind all of the part's own. */
    public const LATE = 1 << 40;

    /**
     * @param  list<Note>  $notes  those on their track's channel, round by round
     * @param  list<Note>  $keys  keys that switch, heard as nothing
     * @param  list<Point>  $points  the part's own
     * @param  list<Point>  $sent  by articulations
     * @param  list<Voice>  $voices  in order of start
     * @param  array<int, Note>  $written  of notes that an articulation made otherwise, as they were, by id of object
     */
    private function __construct(public array $notes, public array $keys, public array $points, public array $sent, public array $voices, public array $written)
    {
    }

    /** Whether there is more to a part than its rows and what it plays as. */
    public static function is(Part $part, Score $score): bool
    {
        return $part->notes->hasOther('own') || (! $part->notes->isEmpty() && isset($score->tracks[$part->head->track]) && ArticulationSet::of($score->tracks[$part->head->track]) !== null);
    }

    public static function of(Part $part, Score $score): self
    {
        return self::ofParts([$part->id => $part], $score)[$part->id];
    }

    /**
     * What is heard of several parts. What an articulation says is sent where it changes on its track, whichever part it
     * changes in.
     *
     * @param  array<int, Part>  $parts  of one score, by id
     * @return array<int, self> by id
     */
    public static function ofParts(array $parts, Score $score): array
    {
        $made = $articulated = [];
        foreach ($parts as $id => $part) {
            $track = $part->head->track;
            $set = isset($score->tracks[$track]) ? ArticulationSet::of($score->tracks[$track]) : null;
            if ($set !== null) {
                $articulated[$track] ??= self::articulated(array_map(static fn (Part $p): array => self::sounding($p, $score), [$id => $part] + $score->partsOf($track)), $set, $score->time->ppq);
            }
            $made[$id] = self::one($part, $score, $articulated[$track][$id] ?? null);
        }

        return $made;
    }

    /** @param  array{notes: list<Note>, keys: list<Note>, sent: list<Point>, written: array<int, Note>}|null  $articulated  null for a track with no articulations */
    private static function one(Part $part, Score $score, ?array $articulated): self
    {
        $points = Sounding::points($part, $score->time);
        if (! self::is($part, $score)) {
            return new self(Sounding::notes($part, $score->time), [], $points, [], [], []);
        }
        $articulated ??= ['notes' => self::sounding($part, $score), 'keys' => [], 'sent' => [], 'written' => []];
        $notes = $voices = [];
        $told = null;
        foreach ($articulated['notes'] as $note) {
            if ($note->own === '' || $note->channel === GeneralMidi::DRUM_CHANNEL) {
                $notes[] = $note;

                continue;
            }
            $told ??= self::told($part, $score, $points, $articulated['sent']);
            $voices[] = self::voice($note, $told[$note->channel] ?? [], $score);
        }

        return new self($notes, $articulated['keys'], $points, $articulated['sent'], $voices, $articulated['written']);
    }

    /** @return list<Note> what sounds of a part, in order of start */
    private static function sounding(Part $part, Score $score): array
    {
        $notes = Sounding::notes($part, $score->time);
        usort($notes, static fn (Note $a, Note $b): int => $a->start <=> $b->start ?: $a->id <=> $b->id);

        return $notes;
    }

    /**
     * @param  array<int, list<Note>>  $parts  what sounds of the parts of a track
     * @return array<int, array{notes: list<Note>, keys: list<Note>, sent: list<Point>, written: array<int, Note>}> by part: notes as they sound, keys, what is sent, and those written otherwise
     */
    private static function articulated(array $parts, ArticulationSet $set, int $ppq): array
    {
        $heard = $keys = $sent = $written = array_map(static fn (): array => [], $parts);
        $all = $last = [];
        foreach ($parts as $part => $notes) {
            foreach ($notes as $note) {
                $all[] = [$note->start, $note->id, $part, $note];
            }
        }
        usort($all, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $early = max(1, intdiv($ppq, 32));
        $order = self::LATE;
        foreach ($all as [, , $part, $note]) {
            if ($note->channel === GeneralMidi::DRUM_CHANNEL) {
                $heard[$part][] = $note;

                continue;
            }
            $one = $set->at($note->articulation);
            $channel = $note->channel;
            foreach ($one['do'] as $do) {
                $channel = $do['channel'] ?? $channel;
            }
            if (($last[$channel] ?? null) !== $one['id']) {
                foreach ($one['do'] as $do) {
                    if (isset($do['program'])) {
                        $sent[$part][] = new Point($order++, $note->start, Message::PROGRAM | $channel, $do['program']);
                    } elseif (isset($do['cc'])) {
                        $sent[$part][] = new Point($order++, $note->start, Message::CONTROLLER | $channel, $do['cc'], $do['value']);
                    } elseif (isset($do['key'])) {
                        $keys[$part][] = new Note($order++, max(0, $note->start - $early), $early, $do['key'], 100, channel: $channel);
                    }
                }
                $last[$channel] = $one['id'];
            }
            $played = $note;
            if ($channel !== $note->channel || $one['length'] !== 100 || $one['velocity'] !== 100) {
                $played = $note->with(['channel' => $channel, 'length' => max(1, (int) round($note->length * $one['length'] / 100)),
                    'velocity' => max(Note::SOFTEST, min(Note::LOUDEST, (int) round($note->velocity * $one['velocity'] / 100)))]);
                $written[$part][spl_object_id($played)] = $note;
            }
            $heard[$part][] = $played;
        }

        return array_map(static fn (int $part): array => ['notes' => $heard[$part], 'keys' => $keys[$part], 'sent' => $sent[$part], 'written' => $written[$part]], array_combine(array_keys($parts), array_keys($parts)));
    }

    /**
     * All that is told on the channels of a part's track, in order.
     *
     * @param  list<Point>  $points  the part's own that are heard
     * @param  list<Point>  $sent
     * @return array<int, list<Point>> by channel
     */
    private static function told(Part $part, Score $score, array $points, array $sent): array
    {
        $all = [];
        foreach ($score->partsOf($part->head->track) + [$part->id => $part] as $other) {
            array_push($all, ...($other->id === $part->id ? $points : Sounding::points($other, $score->time)));
        }
        $points = [...$all, ...$sent];
        // As a file has them: at one tick by id, and of one id those of the earlier part first.
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);
        $told = [];
        foreach ($points as $point) {
            if (($point->status & 0xF0) > 0xA0) {
                $told[$point->status & 0x0F][] = $point;
            }
        }

        return $told;
    }

    /** @param  list<Point>  $told  on its channel, in order */
    private static function voice(Note $note, array $told, Score $score): Voice
    {
        $own = Expression::of($note->own);
        $lanes = array_map(static fn (string $name): Lane => Lane::parse($name), array_keys($own->lanes));
        $governs = static function (Point $point) use ($lanes): bool {
            foreach ($lanes as $lane) {
                if ($lane->holds($point)) {
                    return true;
                }
            }

            return false;
        };
        $before = $points = [];
        foreach ($told as $i => $point) {
            if ($point->tick > $note->end()) {
                break;
            }
            if ($point->tick > $note->start) {
                if (! $governs($point)) {
                    $points[] = $point;
                }

                continue;
            }
            $kind = $point->status & 0xF0;
            $key = $kind !== Message::CONTROLLER ? "$kind" : (in_array($point->data1, self::IN_PIECES, true) ? "piece $i" : "$kind:$point->data1");
            unset($before[$key]);
            $before[$key] = $point->movedTo($note->start);
        }
        foreach ($lanes as $lane) {
            $curve = $own->points($lane);
            foreach ($curve as [$tick, $value]) {
                if ($tick === 0) {
                    $before["own $lane->name"] = $lane->point(0, $note->start, 0, $value);
                } elseif ($tick < $note->length) {
                    $points[] = $lane->point(0, $note->start + $tick, 0, $value);
                }
            }
        }
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick);
        $free = max($note->end() + 1, (int) round($score->time->tempos->shift($note->end(), self::RELEASE)));
        $before = array_values($before);

        return new Voice($note, $free, $before, $points, ReleaseAtEnd::after([...$before, ...$points], $free));
    }

    /**
     * Puts voices on channels, each on the first that is free where it begins.
     *
     * @param  list<Voice>  $voices
     * @param  list<int>  $channels  that may be given
     * @return array{array<int, int|null>, int|null} channels by index of voices, null for one that gets none; and the tick of the first that had to share
     */
    public static function spread(array $voices, array $channels): array
    {
        $order = array_keys($voices);
        usort($order, static fn (int $a, int $b): int => $voices[$a]->note->start <=> $voices[$b]->note->start);
        $busy = array_fill_keys($channels, 0);
        $given = [];
        $shared = null;
        foreach ($order as $i) {
            $voice = $voices[$i];
            $channel = null;
            foreach ($busy as $one => $until) {
                if ($until <= $voice->note->start) {
                    $channel = $one;
                    break;
                }
            }
            if ($channel === null) {
                $shared ??= $voice->note->start;
                $channel = array_key_last($busy);
            }
            $given[$i] = $channel;
            if ($channel !== null) {
                $busy[$channel] = max($busy[$channel], $voice->free);
            }
        }

        return [$given, $shared];
    }

    /**
     * The channels that nothing in the song uses, the drums' aside.
     *
     * @return list<int>
     */
    public static function free(Score $score): array
    {
        $taken = [GeneralMidi::DRUM_CHANNEL => true];
        // What is not heard is not written, and takes no channel either.
        foreach ($score->parts as $part) {
            $taken += array_fill_keys(array_intersect_key($part->notes->integers('channel'), array_filter(Sounding::untils($part))), true);
            $ticks = $part->points->integers('tick');
            foreach ($part->points->integers('status') as $i => $status) {
                if (Sounding::isHeardAt($ticks[$i], $part->head)) {
                    $taken[$status & 0x0F] = true;
                }
            }
        }
        foreach ($score->tracks as $track) {
            foreach (ArticulationSet::of($track)->articulations ?? [] as $one) {
                foreach ($one['do'] as $do) {
                    $taken += isset($do['channel']) ? [$do['channel'] => true] : [];
                }
            }
        }

        return array_values(array_diff(range(0, 15), array_keys($taken)));
    }
}
