<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Recipe\Runner;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;

/** Runs edits on a MIDI file, with no database. Exit 0; 2 for a bad file or a bad edit, and then no output file. */
final class Apply extends Command
{
    private const BAD = 2;

    protected $signature = 'jactonic:apply {in : the MIDI file to read} {out : the MIDI file to write} {--edits= : JSON file with the list under "do"} {--recipe= : JSON file of a recipe, run on all notes of all tracks after the edits} {--report= : JSON file to write a report to}';

    protected $description = 'Run edits on a MIDI file';

    public function handle(): int
    {
        try {
            $this->apply();

            return self::SUCCESS;
        } catch (Refusal $refusal) {
            $this->getOutput()->getErrorStyle()->writeln($refusal->getMessage());

            return self::BAD;
        }
    }

    private function apply(): void
    {
        $in = $this->path('in') ?? '';
        [$song, $warnings] = Importer::import(Reader::read($this->read($in)), pathinfo($in, PATHINFO_FILENAME));
        $tracks = self::tracks($song);
        $score = $song->score();
        $selection = null;
        $said = [];
        $recipes = $this->recipes();
        $do = $this->path('edits') === null && $recipes !== [] ? [] : $this->edits();
        if ($recipes !== []) {
            // A recipe of its own works on all notes of all tracks; the others of its file are there to be run by it.
            $do[] = ['recipe' => $recipes[0]->key, 'on' => array_map(static fn (int $n): array => ['track' => $n], array_keys($tracks))];
        }
        foreach ($do as $i => $command) {
            try {
                $outcome = Runner::command(self::onParts($command, $tracks), $score, $selection, new Book($recipes));
            } catch (Refusal $refusal) {
                throw new Refusal(sprintf('Edit %d of the list: %s No file was written.', $i + 1, $refusal->getMessage()), $refusal->parameter);
            }
            $score = $outcome->change->applyTo($score);
            $selection = $outcome->selection;
            $said[] = ['said' => $outcome->said, 'warnings' => $outcome->warnings];
        }
        $edited = $song->withScore($score);
        $muted = Exporter::mutedNotes($edited);
        if ($muted > 0) {
            $warnings[] = $muted === 1 ? '1 muted note was left out of the file.' : "$muted muted notes were left out of the file.";
        }
        $report = $this->path('report');
        $file = Writer::write(Exporter::export($edited));
        if ($report !== null) {
            $this->write($report, json_encode(['name' => $edited->name, 'ppq' => $edited->ppq, 'tracks' => self::summary($edited->score(), $tracks),
                'edits' => $said, 'warnings' => $warnings], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE)."\n");
        }
        $this->write($this->path('out') ?? '', $file);
    }

    /**
     * The parts of the tracks that hold notes, by the number that `on` gives them, from 1.
     *
     * @return array<int, int>
     */
    private static function tracks(Song $song): array
    {
        $tracks = [];
        foreach ($song->tracks as $track) {
            if ($track->hasNotes()) {
                $tracks[count($tracks) + 1] = $track->parts[0]->id;
            }
        }

        return $tracks;
    }

    /**
     * @param  array<int, int>  $tracks
     * @return array<array-key, mixed> the command with its tracks named as parts
     */
    private static function onParts(mixed $command, array $tracks): array
    {
        if (! is_array($command)) {
            throw Refusal::parameter('do', $command, 'an object with edit, on and params');
        }
        if (! isset($command['on'])) {
            return $command;
        }
        $on = $command['on'];
        $items = is_array($on) && array_is_list($on) ? $on : [$on];
        foreach ($items as $i => $item) {
            $number = is_array($item) ? $item['track'] ?? null : null;
            if (! is_array($item) || ! is_int($number) || ! isset($tracks[$number])) {
                throw Refusal::parameter('on.track', $number ?? $item, $tracks === [] ? 'none: no track of the file holds notes' : 'a track with notes, 1 to '.count($tracks));
            }
            unset($item['track']);
            $items[$i] = ['part' => $tracks[$number]] + $item + (isset($item['notes']) || isset($item['pick']) ? [] : ['pick' => ['all' => true]]);
        }

        return ['on' => $items] + $command;
    }

    /** @return list<Recipe> those of the file named; none where none is named */
    private function recipes(): array
    {
        $path = $this->path('recipe');
        if ($path === null) {
            return [];
        }
        try {
            return Book::read(json_decode($this->read($path), true, 64));
        } catch (Refusal $refusal) {
            throw new Refusal("$path is no recipe: {$refusal->getMessage()} No file was written.", $refusal->parameter);
        }
    }

    /** @return list<mixed> */
    private function edits(): array
    {
        $path = $this->path('edits') ?? throw new Refusal('Say which edits to run: --edits=FILE.json.', 'edits');
        $json = json_decode($this->read($path), true, 64);
        $do = is_array($json) && isset($json['do']) ? $json['do'] : $json;
        if (! is_array($do) || ! array_is_list($do)) {
            throw new Refusal(sprintf('%s holds no list of edits%s. No file was written.', $path, json_last_error() === JSON_ERROR_NONE ? '' : ' ('.json_last_error_msg().')'), 'edits');
        }

        return $do;
    }

    /**
     * @param  array<int, int>  $tracks
     * @return list<array{track: int, name: string, notes: int}>
     */
    private static function summary(Score $score, array $tracks): array
    {
        $summary = [];
        foreach ($tracks as $number => $part) {
            $summary[] = ['track' => $number, 'name' => $score->part($part)->name, 'notes' => count($score->part($part)->notes)];
        }

        return $summary;
    }

    private function path(string $name): ?string
    {
        $value = $name === 'in' || $name === 'out' ? $this->argument($name) : $this->option($name);

        return is_string($value) && $value !== '' ? $value : null;
    }

    private function read(string $path): string
    {
        $bytes = is_file($path) ? @file_get_contents($path) : false;

        return $bytes === false ? throw new Refusal("$path cannot be read. No file was written.") : $bytes;
    }

    /** Whole or not at all: a half-written file never stands under the name asked for. */
    private function write(string $path, string $bytes): void
    {
        $half = $path.'.part';
        if (@file_put_contents($half, $bytes) !== strlen($bytes) || ! @rename($half, $path)) {
            @unlink($half);
            throw new Refusal("$path cannot be written.");
        }
    }
}
