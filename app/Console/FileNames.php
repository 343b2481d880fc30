<?php

declare(strict_types=1);

namespace App\Console;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;

/**
 * What the tracks and parts of a file are called in a list of edits: {"track": N} for the notes of one of its tracks that
 * hold notes, counted from 1 in file order, {"part": N} likewise with the parts that edits make counted on, and
 * {"tracks": [N]}, {"parts": [N]} for them as wholes.
 */
final class FileNames
{
    /** @var array<int, int> ids of parts by number */
    private array $parts = [];

    /** @var array<int, int> ids of tracks by number */
    private array $tracks = [];

    /** How many tracks of the file hold notes. */
    private readonly int $ofFile;

    public function __construct(Song $song)
    {
        foreach ($song->tracksWithNotes() as $i => $track) {
            $this->tracks[$i + 1] = $track->id;
            $this->parts[$i + 1] = (int) array_key_first($song->score->partsOf($track->id));
        }
        $this->ofFile = count($this->parts);
        $this->known = $song->score;
    }

    private Score $known;

    /** Counts the parts and tracks that edits made. */
    public function know(Score $score): void
    {
        foreach (array_keys(array_diff_key($score->parts, $this->known->parts)) as $id) {
            $this->parts[count($this->parts) + 1] = $id;
        }
        foreach (array_keys(array_diff_key($score->tracks, $this->known->tracks)) as $id) {
            $this->tracks[count($this->tracks) + 1] = $id;
        }
        $this->known = $score;
    }

    /** @return list<array<string, mixed>> all notes of all tracks of the file */
    public function all(): array
    {
        return array_map(static fn (int $n): array => ['track' => $n], $this->ofFile === 0 ? [] : range(1, $this->ofFile));
    }

    /**
     * A command with what it names by number named by id.
     *
     * @throws Refusal
     */
    public function resolved(mixed $command): mixed
    {
        if (! is_array($command)) {
            return $command;
        }
        if (isset($command['on'])) {
            $on = $command['on'];
            $command['on'] = array_map($this->item(...), is_array($on) && array_is_list($on) ? $on : [$on]);
        }
        if (isset($command['part'])) {
            $command['part'] = $this->part($command['part'], 'part');
        }
        if (is_array($command['params'] ?? null) && isset($command['params']['track'])) {
            $command['params']['track'] = $this->track($command['params']['track'], 'track');
        }

        return $command;
    }

    /** @return list<array{track: int, name: string, notes: int}> */
    public function summary(Score $score): array
    {
        $summary = [];
        foreach ($this->parts as $number => $id) {
            if (isset($score->parts[$id])) {
                $summary[] = ['track' => $number, 'name' => $score->parts[$id]->name, 'notes' => count($score->parts[$id]->notes)];
            }
        }

        return $summary;
    }

    /** @return array<array-key, mixed> */
    private function item(mixed $item): array
    {
        if (! is_array($item)) {
            throw Refusal::parameter('on.track', $item, $this->allowed());
        }
        if (isset($item['tracks']) && is_array($item['tracks'])) {
            return ['tracks' => array_map(fn (mixed $n): int => $this->track($n, 'on.tracks'), array_values($item['tracks']))] + $item;
        }
        if (isset($item['parts']) && is_array($item['parts'])) {
            return ['parts' => array_map(fn (mixed $n): int => $this->part($n, 'on.parts'), array_values($item['parts']))] + $item;
        }
        $name = isset($item['part']) ? 'part' : 'track';
        $number = $item[$name] ?? null;
        if ($name === 'track' && (! is_int($number) || $number < 1 || $number > $this->ofFile)) {
            throw Refusal::parameter('on.track', $number ?? $item, $this->allowed());
        }
        unset($item['track'], $item['part']);

        return ['part' => $this->part($number, "on.$name")] + $item + (isset($item['notes']) || isset($item['pick']) || isset($item['points']) ? [] : ['pick' => ['all' => true]]);
    }

    private function part(mixed $number, string $name): int
    {
        return (is_int($number) ? $this->parts[$number] ?? null : null) ?? throw Refusal::parameter($name, $number, $this->parts === [] ? 'none: there is no part' : 'a part, 1 to '.count($this->parts));
    }

    private function track(mixed $number, string $name): int
    {
        return (is_int($number) ? $this->tracks[$number] ?? null : null) ?? throw Refusal::parameter($name, $number, $this->tracks === [] ? 'none: there is no track' : 'a track, 1 to '.count($this->tracks));
    }

    private function allowed(): string
    {
        return $this->ofFile === 0 ? 'none: no track of the file holds notes' : "a track with notes, 1 to $this->ofFile";
    }
}
