<?php

declare(strict_types=1);

namespace App\Console;

use App\Backups\Backups;
use Illuminate\Console\Command;
use Jactonic\Core\Refusal;

/** Puts a backup in place of the data file, which is kept aside; also while the server runs. */
final class Restore extends Command
{
    protected $signature = 'jactonic:restore {file : a backup}';

    protected $description = 'Put a backup in place of what is there, which is kept aside';

    public function handle(): int
    {
        $file = $this->argument('file');
        try {
            $aside = Backups::here()->restore(is_string($file) ? $file : '');
        } catch (Refusal $refusal) {
            $this->getOutput()->getErrorStyle()->writeln($refusal->getMessage().' Nothing was changed.');

            return 2;
        }
        $this->line("Restored. What was there is kept as $aside.");

        return self::SUCCESS;
    }
}
