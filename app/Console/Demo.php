<?php

declare(strict_types=1);

namespace App\Console;

use App\Demo\LanternFerry;
use App\Models\Song;
use App\Songs\Library;
use Illuminate\Console\Command;

/** Puts the demo song into an empty library; a library with songs in it is left alone. */
final class Demo extends Command
{
    protected $signature = 'jactonic:demo';

    protected $description = 'Put the demo song into an empty library';

    public function handle(): int
    {
        if (Song::withTrashed()->count() > 0) {
            $this->line('There are songs already; the demo song was not added.');

            return self::SUCCESS;
        }
        $song = Library::keep(LanternFerry::song());
        $this->line("“{$song->name}” is ready.");

        return self::SUCCESS;
    }
}
