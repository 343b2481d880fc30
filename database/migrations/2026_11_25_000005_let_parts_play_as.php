<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Parts may play as something else than is written, and let go of what holds at their end. Those that are there do neither. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('parts', static function (Blueprint $table): void {
            $table->text('plays')->nullable();
            $table->boolean('lets')->default(false);
        });
    }
};
