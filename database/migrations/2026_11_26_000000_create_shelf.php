<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Phrases kept for another day, each a MIDI file. What is taken from the shelf is put away, and can come back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shelf', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 200);
            $table->binary('file');
            $table->json('about');
            $table->boolean('gone')->default(false);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('shelf');
    }
};
