<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A part that edits made longer remembers the window that it was given. Those that are there have theirs. The documents of
 * parts stay the last of their columns: SQLite reads through all that stands before a column.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table parts add column given text');
        foreach (['notes', 'points'] as $name) {
            DB::statement("alter table parts add column moved blob not null default ''");
            DB::statement("update parts set moved = \"$name\"");
            DB::statement("alter table parts drop column \"$name\"");
            DB::statement("alter table parts rename column moved to \"$name\"");
        }
    }

    public function down(): void
    {
        DB::statement('alter table parts drop column given');
    }
};
