<?php

declare(strict_types=1);

namespace App\Console;

use App\Guide\Pictures;
use Illuminate\Console\Command;

/** Writes what the pictures of the guide are drawn from. */
final class WriteGuidePictures extends Command
{
    public const PATH = 'resources/js/views/guide/pictures.json';

    protected $signature = 'jactonic:guide-pictures';

    protected $description = 'Work out the pictures of the guide';

    public function handle(): int
    {
        file_put_contents(base_path(self::PATH), Pictures::text());
        $this->line(self::PATH.' is written.');

        return self::SUCCESS;
    }
}
