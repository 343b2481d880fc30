<?php

declare(strict_types=1);

namespace App\Console;

use App\Contract\Contract;
use Illuminate\Console\Command;

/** Writes docs/openapi.json; `npm run contract` makes the types of the interface from it. */
final class WriteContract extends Command
{
    protected $signature = 'jactonic:contract';

    protected $description = 'Write what goes over the wire as an OpenAPI document';

    public function handle(): int
    {
        file_put_contents(base_path('docs/openapi.json'), Contract::text());
        $this->line('docs/openapi.json is written.');

        return self::SUCCESS;
    }
}
