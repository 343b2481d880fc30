<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Feels taken from playing: kept with a song, or with none, on the shelf, where every song finds them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('grooves', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->nullable()->constrained()->cascadeOnDelete();
            $table->json('groove');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('grooves');
    }
};
