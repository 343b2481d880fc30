<?php

declare(strict_types=1);

namespace App\Console;

use App\Backups\Backups;
use Illuminate\Console\Command;
use Jactonic\Core\Refusal;

/** Copies everything into one file, also while the server runs. */
final class Backup extends Command
{
    protected $signature = 'jactonic:backup {file? : where to; else storage/backups, named by date and time} {--daily : today’s copy, where there is none yet and anything changed; old ones go}';

    protected $description = 'Copy everything (songs with their histories, shelf, recipes, shortcuts, grooves, settings) into one file';

    public function handle(): int
    {
        $file = $this->argument('file');
        try {
            $made = $this->option('daily') ? Backups::here()->daily() : Backups::here()->make(is_string($file) ? $file : null);
        } catch (Refusal $refusal) {
            $this->getOutput()->getErrorStyle()->writeln($refusal->getMessage());

            return 2;
        }
        $this->line($made === null ? 'Nothing changed since the last daily backup.' : "Backed up to $made; it was checked and is complete.");

        return self::SUCCESS;
    }
}
