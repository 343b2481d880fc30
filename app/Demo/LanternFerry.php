<?php

declare(strict_types=1);

namespace App\Demo;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\Timeline;

/**
 * “Lantern Ferry”, a cue for a short film about a night ferry: 16 bars of 4/4 at the quay, 16 bars of 3/4 on the
 * water, where it grows slower for the last eight. Every take has a fault that some of the work mends: piano chords too short and
 * strummed, with one doubled note; a bass behind the beat; vibraphone triplets with a wrong note; hats of uneven
 * velocity; pad chords that overlap.
 */
final class LanternFerry
{
    private const PPQ = Timeline::PPQ;

    private const BAR = 4 * self::PPQ;

    private const WALTZ = 3 * self::PPQ;

    private const CROSSING = 16 * self::BAR;

    private const LANDING = self::CROSSING + 8 * self::WALTZ;

    private const END = self::CROSSING + 16 * self::WALTZ;

    /** Chords by bar, piano voicings; the bass note first. */
    private const QUAY = [[38, 57, 60, 64, 65], [34, 57, 58, 62, 65], [41, 57, 60, 64, 67], [36, 55, 58, 60, 64]];

    private const WATER = [[43, 58, 62, 65, 70], [38, 57, 60, 65, 69], [34, 58, 62, 65, 69], [33, 57, 62, 64, 67]];

    private int $points = 0;

    /** @var array<int, Part> */
    private array $parts = [];

    /** @var array<int, Track> */
    private array $tracks = [];

    /** @var list<Note> the line of the vibraphone at the quay */
    private array $vibes = [];

    private readonly Timeline $time;

    private function __construct()
    {
        $this->time = Timeline::of(self::PPQ, [[0, self::tempo(92)], [self::LANDING, self::tempo(84)]], [[0, 4, 4], [self::CROSSING, 3, 4]]);
    }

    public static function song(): Song
    {
        $demo = new self;

        $time = Timeline::of(self::PPQ,
            [[0, self::tempo(92), 0, 2], [self::LANDING, self::tempo(84), 0, 3]],
            [[0, 4, 4, 24, 8, 0, 1], [self::CROSSING, 3, 4, 24, 8, 0, 4]],
            [[0, base64_encode('The quay'), 0, 6], [self::CROSSING, base64_encode('On the water'), 0, 7], [self::LANDING, base64_encode('Lights ahead'), 0, 8]]);
        $demo->tracks[1] = new Track(1, 'Lantern Ferry', 0, [self::meta(0, 0, 0x03, 'Lantern Ferry'), self::meta(0, 5, 0x59, "\xFF\x01")], self::END, true);
        $demo->piano();
        $demo->bass();
        $demo->vibraphone();
        $demo->kit();
        $demo->pad();

        return new Song(new Score($time, $demo->parts, $demo->tracks, count($demo->parts) + 1, count($demo->tracks) + 1, name: 'Lantern Ferry', scale: Scale::parse('D minor')), new Source);
    }

    private function piano(): void
    {
        $player = new Player($this->time, 11, 14, 0, 5);
        foreach ($this->bars(0, 16, self::BAR, 0) as $i => $bar) {
            $chord = array_slice(self::QUAY[$i % 4], 1);
            // Written to ring for half the bar; played short, and strummed.
            foreach ([0, 1.5, 2, 3.5] as $beat) {
                $player->chord($bar + $beat * self::PPQ, 0.3 * self::PPQ, $chord, $beat === 0 ? 78 : 64, 9);
            }
            if ($i === 6) {
                $player->play($bar, 0.3 * self::PPQ, $chord[2], 52, 4);
            }
        }
        $quay = $player->take();
        // The doubled note: the same key struck again while it sounds.
        $quay[] = new Note(count($quay) + 1, $quay[0]->start, $quay[0]->length + 90, $quay[0]->pitch, 41);
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $i => $bar) {
            $chord = array_slice(self::WATER[$i % 4], 1);
            $player->play($bar, 0.9 * self::PPQ, $chord[0] - 12, 66);
            $player->chord($bar + self::PPQ, 0.4 * self::PPQ, $chord, 58, 7);
            $player->chord($bar + 2 * self::PPQ, 0.4 * self::PPQ, $chord, 54, 7);
            if ($i % 2 === 1) {
                $player->play($bar + 2.5 * self::PPQ, 0.6 * self::PPQ, $chord[3] + 12, 70);
            }
        }
        $pedal = [];
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $bar) {
            $pedal[] = [$bar + 60, 0xB0, 64, 110];
            $pedal[] = [$bar + self::WALTZ - 40, 0xB0, 64, 0];
        }

        $this->track('Felt piano', 0, 0, 100, 58, [['Piano, quay', $quay, ['grid' => '1/8'], []], ['Piano, water', $player->take(), ['grid' => '1/8'], $pedal]]);
    }

    private function bass(): void
    {
        $player = new Player($this->time, 23, 7, 28, 6, 1);
        foreach ($this->bars(0, 16, self::BAR, 0) as $i => $bar) {
            $root = self::QUAY[$i % 4][0];
            foreach ([[0, 1.4, 0], [1.5, 0.4, 0], [2, 1.3, 7], [3.5, 0.4, 5]] as [$beat, $length, $up]) {
                $player->play($bar + $beat * self::PPQ, $length * self::PPQ, $root + $up, $beat === 0 ? 96 : 82);
            }
        }
        $quay = $player->take();
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $i => $bar) {
            $root = self::WATER[$i % 4][0];
            $player->play($bar, 1.8 * self::PPQ, $root, 92);
            $player->play($bar + 2 * self::PPQ, 0.8 * self::PPQ, $root + 7, 78);
        }

        $this->track('Upright bass', 1, 32, 104, 64, [['Bass, quay', $quay, ['grid' => '1/8'], []], ['Bass, water', $player->take(), ['grid' => '1/4'], []]]);
    }

    private function vibraphone(): void
    {
        $player = new Player($this->time, 37, 11, -3, 7, 2);
        foreach ($this->bars(8, 8, self::BAR, 0) as $i => $bar) {
            $chord = array_slice(self::QUAY[$i % 4], 1);
            foreach ([0, 1, 2, 3, 2, 1, 0, 2, 3, 2, 1, 3] as $k => $tone) {
                // The wrong note: a semitone beside the one meant.
                $wrong = $i === 5 && $k === 4 ? 1 : 0;
                $player->play($bar + $k * self::PPQ / 3, 0.3 * self::PPQ, $chord[$tone] + 12 + $wrong, $k % 3 === 0 ? 84 : 66);
            }
        }
        $quay = $this->vibes = $player->take();
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $i => $bar) {
            $chord = array_slice(self::WATER[$i % 4], 1);
            foreach ([3, 2, 1, 2, 3, 1] as $k => $tone) {
                if ($i % 2 === 0 || $k < 3) {
                    $player->play($bar + $k * self::PPQ / 2, 0.45 * self::PPQ, $chord[$tone] + 12, $k === 0 ? 80 : 62);
                }
            }
        }

        $this->track('Vibraphone', 2, 11, 92, 80, [['Vibes, quay', $quay, ['grid' => '1/8T'], []], ['Vibes, water', self::bent($player->take()), ['grid' => '1/8'], []]]);
    }

    private function kit(): void
    {
        $player = new Player($this->time, 41, 6, 4, 4, GeneralMidi::DRUM_CHANNEL);
        $uneven = new Player($this->time, 43, 9, 0, 22, GeneralMidi::DRUM_CHANNEL);
        foreach ($this->bars(4, 12, self::BAR, 0) as $bar) {
            foreach ([0, 2.5] as $beat) {
                $player->play($bar + $beat * self::PPQ, 0.2 * self::PPQ, 36, 88);
            }
            foreach ([1, 3] as $beat) {
                $player->play($bar + $beat * self::PPQ, 0.2 * self::PPQ, 38, 74);
            }
            foreach (range(0, 7) as $k) {
                $uneven->play($bar + $k * self::PPQ / 2, 0.15 * self::PPQ, $k === 7 ? 46 : 42, 68);
            }
        }
        $quay = self::together($player->take(), $uneven->take());
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $bar) {
            $player->play($bar, 0.2 * self::PPQ, 36, 80);
            $player->play($bar + 2 * self::PPQ, 0.2 * self::PPQ, 38, 58);
            foreach (range(0, 2) as $beat) {
                $uneven->play($bar + $beat * self::PPQ, 0.2 * self::PPQ, 51, 60);
            }
        }

        $this->track('Brush kit', GeneralMidi::DRUM_CHANNEL, 40, 96, 64,
            [['Kit, quay', $quay, ['grid' => '1/8'], []], ['Kit, water', self::together($player->take(), $uneven->take()), ['grid' => '1/4'], []]]);
    }

    private function pad(): void
    {
        $player = new Player($this->time, 53, 18, 0, 3, 4);
        foreach ($this->bars(0, 16, self::WALTZ, self::CROSSING) as $i => $bar) {
            // Held into the next chord, where the same tones overlap.
            $player->chord($bar, self::WALTZ + 0.35 * self::PPQ, array_slice(self::WATER[$i % 4], 1), 58);
        }
        $swell = [];
        for ($k = 0; $k <= 32; $k++) {
            $swell[] = [self::CROSSING + intdiv($k * 16 * self::WALTZ, 33), 0xB4, 11, (int) round(70 + 45 * sin(M_PI * $k / 32))];
        }

        $water = $player->take();
        // At the quay four bars that go round; then the vibraphone's line, an octave lower and from farther away.
        $slow = new Player($this->time, 59, 12, 0, 3, 4);
        foreach ($this->bars(0, 4, self::BAR, 0) as $i => $bar) {
            $slow->chord($bar + 20, self::BAR - 60, array_slice(self::QUAY[$i], 1), 46);
        }
        // Plucked for its first four bars.
        $line = array_map(static fn (Note $n): Note => $n->with(['channel' => 4, 'articulation' => $n->start < 12 * self::BAR - 60 ? 2 : 0]), $this->vibes);

        $this->track('String pad', 4, 48, 78, 50, [['Pad, quay', $slow->take(), ['grid' => 'bar'], []], ['Pad, answer', $line, ['grid' => '1/8T'], []], ['Pad, water', $water, ['grid' => 'bar'], $swell]]);
        $last = count($this->tracks);
        $this->tracks[$last] = ArticulationSet::on($this->tracks[$last], ArticulationSet::read('Strings'));
        [$round, $answer] = array_slice($this->parts, -3, 2);
        $this->put($round, new PartHead($round->head->track, $round->name, 0, 0, 4 * self::BAR, plays: new PlaysAs(until: 8 * self::BAR)));
        $this->put($answer, new PartHead($answer->head->track, $answer->name, 8 * self::BAR, min(8 * self::BAR, $line[0]->start), self::CROSSING, plays: new PlaysAs(-12, 60, 30)));
    }

    /**
     * A line whose fifth bar begins with a note that is bent up into its pitch, by a semitone.
     *
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    private static function bent(array $notes): array
    {
        $bend = array_map(static fn (int $k): array => [$k * 30, (int) round(-4096 + 4096 * $k / 10)], range(0, 10));
        foreach ($notes as $i => $note) {
            if ($note->start >= self::CROSSING + 4 * self::WALTZ - 60) {
                $notes[$i] = $note->with(['own' => Expression::read(['bend' => $bend], 'own')->text()]);
                break;
            }
        }

        return $notes;
    }

    /**
     * Starts of bars.
     *
     * @return list<int>
     */
    private function bars(int $from, int $count, int $length, int $origin): array
    {
        return array_map(static fn (int $k): int => $origin + ($from + $k) * $length, range(0, $count - 1));
    }

    /**
     * @param  list<array{string, list<Note>, array<string, mixed>, list<array{int, int, int, int}>}>  $parts  name, notes, settings, points
     */
    private function track(string $name, int $channel, int $program, int $volume, int $pan, array $parts): void
    {
        $id = count($this->tracks) + 1;
        $this->tracks[$id] = new Track($id, $name, $id - 1, [self::meta(0, 0, 0x03, $name)], self::END);
        foreach ($parts as $i => [$called, $notes, $settings, $extra]) {
            // Its scene, and what was played a little before or over it.
            [$from, $to] = $notes[0]->start < self::CROSSING - self::BAR / 2 ? [0, self::CROSSING] : [self::CROSSING, self::END];
            $from = min($from, ...array_map(static fn (Note $n): int => $n->start, $notes));
            $to = max($to, ...array_map(static fn (Note $n): int => $n->end(), $notes));
            $set = $i === 0 ? [[$from, 0xC0 | $channel, $program, 0], [$from, 0xB0 | $channel, 7, $volume], [$from, 0xB0 | $channel, 10, $pan]] : [];
            $part = count($this->parts) + 1;
            $this->parts[$part] = Part::of($part, $called, $notes,
                array_map(fn (array $p): Point => new Point(++$this->points, $p[0], $p[1], $p[2], $p[3]), [...$set, ...$extra]), PartSettings::fromArray($settings), new PartHead($id, $called, $from, $from, $to));
        }
    }

    /** A part with another head: what is in it stays where it stands in the song. */
    private function put(Part $part, PartHead $head): void
    {
        $this->parts[$part->id] = Part::of($part->id, $part->name, array_values($part->notes->all()), array_values($part->points->all()), $part->settings(), $head);
    }

    /**
     * Two takes as one, with ids in order of time.
     *
     * @param  list<Note>  $a
     * @param  list<Note>  $b
     * @return list<Note>
     */
    private static function together(array $a, array $b): array
    {
        $all = [...$a, ...$b];
        usort($all, static fn (Note $x, Note $y): int => $x->start <=> $y->start ?: $x->pitch <=> $y->pitch);

        return array_map(static fn (Note $n, int $i): Note => new Note($i + 1, $n->start, $n->length, $n->pitch, $n->velocity, channel: $n->channel), $all, array_keys($all));
    }

    private static function meta(int $tick, int $order, int $type, string $bytes): PassthroughEvent
    {
        return new PassthroughEvent($tick, $order, 0xFF, $type, $bytes);
    }

    private static function tempo(int $bpm): int
    {
        return (int) round(60_000_000 / $bpm);
    }
}
