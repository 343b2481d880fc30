<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the last requests were answered, beside what they changed: an answer that was lost is given again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('requests', static function (Blueprint $table): void {
            $table->text('answer')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('requests', static function (Blueprint $table): void {
            $table->dropColumn('answer');
        });
    }
};
