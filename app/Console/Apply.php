<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Refusal;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Runs edits on a MIDI file, with no database. Exit 0; 2 for a bad file or a bad edit, and then no output file. */
final class Apply extends Command
{
    private const BAD = 2;

    protected $signature = 'jactonic:apply {in : the MIDI file to read} {out : the MIDI file to write} {--edits= : JSON file with the list under "do"} {--recipe= : JSON file of a recipe, run on all notes of all tracks after the edits} {--report= : JSON file to write a report to}';

    protected $description = 'Run edits on a MIDI file';

    /** What is missing or unknown on the command line is as bad as a bad file. */
    public function run(InputInterface $input, OutputInterface $output): int
    {
        try {
            return parent::run($input, $output);
        } catch (ExceptionInterface $e) {
            ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln($e->getMessage().' No file was written. Usage: '.$this->getSynopsis(true));

            return self::BAD;
        }
    }

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
        $names = new FileNames($song);
        $said = [];
        $recipes = $this->recipes();
        $do = $this->path('edits') === null && $recipes !== [] ? [] : $this->edits();
        if ($recipes !== []) {
            // A recipe of its own works on all notes of all tracks; the others of its file are there to be run by it.
            $do[] = ['recipe' => $recipes[0]->key, 'on' => $names->all()];
        }
        $batch = new Batch($song->score, new Book($recipes));
        foreach ($do as $i => $command) {
            try {
                $outcome = $batch->run($names->resolved($command));
            } catch (Refusal $refusal) {
                throw new Refusal(sprintf('Edit %d of the list: %s No file was written.', $i + 1, $refusal->getMessage()), $refusal->parameter);
            }
            $names->know($batch->score);
            $said[] = ['said' => $outcome->said, 'warnings' => $outcome->warnings];
        }
        $edited = $song->withScore($batch->score);
        array_push($warnings, ...Exporter::warnings($edited));
        $report = $this->path('report');
        $files = new Files;
        $files->put($this->path('out') ?? throw new Refusal('Name a file to write.', 'out'), Writer::write(Exporter::export($edited)));
        if ($report !== null) {
            $files->put($report, json_encode(['name' => $edited->name, 'ppq' => $edited->score->time->ppq, 'tracks' => $names->summary($batch->score),
                'edits' => $said, 'warnings' => $warnings], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE)."\n");
        }
        $files->keep();
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
        $path = $this->path('edits') ?? throw new Refusal('Name the edits to run: --edits=FILE.json.', 'edits');
        $text = $this->read($path);
        // Read as objects first: an empty object is no empty list.
        $json = json_decode($text, false, 64);
        $do = $json instanceof \stdClass && isset($json->do) ? $json->do : $json;
        if (! is_array($do)) {
            throw new Refusal(sprintf('%s holds no list of edits%s. No file was written.', $path, json_last_error() === JSON_ERROR_NONE ? '' : ' ('.json_last_error_msg().')'), 'edits');
        }

        $all = json_decode($text, true, 64);

        return array_values((array) (is_array($all) && ! array_is_list($all) ? $all['do'] : $all));
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
}
