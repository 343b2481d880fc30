<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartClip;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/** A phrase kept for another day: a MIDI file of a few parts, with the sound, the tempo and the meter that they had. */
final class Phrase
{
    /**
     * The bytes of parts, as they are heard, from the bar in which the first begins.
     *
     * @param  list<Part>  $parts
     *
     * @throws Refusal where nothing sounds in them
     */
    public static function of(Score $score, array $parts, string $name): string
    {
        $parts = array_values(array_filter($parts, static fn (Part $p): bool => $p->shown() !== []));
        if ($parts === []) {
            throw new Refusal('Nothing sounds in what is selected: nothing was kept.', 'on');
        }
        $from = min(array_map(static fn (Part $p): int => $score->time->meters->barAt(max($p->head->from, $p->inOrder()[0]->start))->start, $parts));
        $tempo = $meter = null;
        foreach ($score->time->tempoRows as $row) {
            $tempo = $row[0] <= $from ? $row[1] : $tempo;
        }
        foreach ($score->time->meterRows as $row) {
            $meter = $row[0] <= $from ? [0, $row[1], $row[2]] : $meter;
        }
        $time = Timeline::of($score->time->ppq, $tempo === null ? [] : [[0, $tempo]], $meter === null ? [] : [$meter]);
        $tracks = $kept = [];
        foreach ($parts as $part) {
            $track = $part->head->track;
            if (! isset($tracks[$track])) {
                $tracks[$track] = (new Track($track, '', count($tracks)))->withName($score->track($track)->name);
                // The sound may stand in a part before it.
                $program = Sound::of($score, $track)?->program;
                if ($program !== null && array_filter($part->shownPoints(), static fn (Point $p): bool => ($p->status & 0xF0) === Message::PROGRAM) === []) {
                    $part = $part->with($part->notes, $part->points->with([], [$part->nextPoint => $program->movedTo(max($part->head->from, $from))->copiedAs($part->nextPoint)]), $part->nextNote, $part->nextPoint + 1);
                }
            }
            $part = self::chased($part, $from);
            $kept[$part->id] = $part->withHead(new PartHead($track, $part->name, $part->head->origin - $from, max(0, $part->head->from - $from), $part->head->to - $from, false, $part->head->plays->moved(-$from), $part->head->releasesAtEnd));
        }

        return Writer::write(Exporter::export(new Song(new Score($time, $kept, $tracks, name: $name), new Source(1, $time->ppq)), true));
    }

    /** What stands before the phrase begins, and holds there, comes along. */
    private static function chased(Part $part, int $from): Part
    {
        $before = $holds = [];
        foreach ($part->shownPoints() as $id => $point) {
            if ($point->tick >= $from) {
                continue;
            }
            $before[$id] = $point;
            $lane = Lane::of($point)->name.' '.($point->status & 0x0F);
            if (! isset($holds[$lane]) || $point->tick >= $holds[$lane]->tick) {
                $holds[$lane] = $point;
            }
        }
        $after = [];
        foreach ($holds as $point) {
            $after[$point->id] = $point->movedTo(max($from, $part->head->from));
        }

        return $before === [] ? $part : $part->with($part->notes, $part->points->with($before, $after), $part->nextNote, $part->nextPoint);
    }

    /**
     * Notes as a part of their own over their bars, to be kept.
     *
     * @param  non-empty-list<Note>  $notes  of the part
     */
    public static function part(Part $part, array $notes, Timeline $time): Part
    {
        $from = $time->meantBar(min(array_map(static fn (Note $n): int => $n->start, $notes)))->start;
        $to = max(array_map(static fn (Note $n): int => $n->end(), $notes));
        $ids = array_map(static fn (Note $n): int => $n->id, $notes);
        $others = array_diff_key($part->notes->all(), array_flip($ids));

        return $part->with($part->notes->with($others, []), $part->points, $part->nextNote, $part->nextPoint)
            ->withHead(new PartHead($part->head->track, $part->name, $part->head->origin, min($from, ...array_map(static fn (Note $n): int => $n->start, $notes)), $time->meters->barAt(max($from, $to - 1))->end()));
    }

    /**
     * The parts in the bytes of a MIDI file, to be put in; and what is told of them.
     *
     * @return array{clip: PartClip, notes: int, bars: int, tempo: float, sounds: list<string>}
     *
     * @throws MidiError|Refusal
     */
    public static function read(string $bytes): array
    {
        [$song] = Importer::import(Reader::read($bytes), 'Phrase');
        $score = $song->score;
        $parts = array_values(array_filter($score->parts, static fn (Part $p): bool => ! $p->notes->isEmpty()));
        if ($parts === []) {
            throw new Refusal('No notes are in that file: nothing was kept.', 'file');
        }
        $end = max(array_map(static fn (Part $p): int => $p->head->to, $parts));
        $tempo = $score->time->tempoRows[0][1] ?? 500_000;

        return [
            'clip' => PartClip::of($score, array_slice($parts, 0, PartClip::MOST), static fn (Part $p): int => $p->head->to),
            'notes' => array_sum(array_map(static fn (Part $p): int => $p->notes->count(), $parts)),
            'bars' => $score->time->meters->barAt(max(0, $end - 1))->index + 1,
            'tempo' => round(6e7 / $tempo, 2),
            'sounds' => array_values(array_unique(array_map(static fn (Part $p): string => Sound::of($score, $p->head->track)?->name() ?? '', $parts))),
        ];
    }
}
