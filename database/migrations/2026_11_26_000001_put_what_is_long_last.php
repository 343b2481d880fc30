<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The documents of parts and the changes of steps come after the short columns of their rows: SQLite reads through all
 * that stands before a column, which for 20,000 notes is more than half a megabyte.
 */
return new class extends Migration
{
    private const LONG = ['parts' => ['notes' => 'blob', 'points' => 'blob'], 'steps' => ['chosen' => null, 'change' => 'text']];

    public function up(): void
    {
        foreach (self::LONG as $table => $columns) {
            foreach ($columns as $name => $type) {
                DB::statement("alter table $table add column moved ".($type === null ? 'text' : "$type not null default ''"));
                DB::statement("update $table set moved = \"$name\"");
                DB::statement("alter table $table drop column \"$name\"");
                DB::statement("alter table $table rename column moved to \"$name\"");
            }
        }
    }

    public function down(): void
    {
        // In whichever order they stand, they are the same columns.
    }
};
