<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The keys of requests that were answered, so that one sent again is not done twice; and when a song's time changed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('requests', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            $table->string('key', 64);
            $table->unique(['song_id', 'key']);
        });
        Schema::table('songs', static function (Blueprint $table): void {
            $table->integer('time_revision')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('songs', static function (Blueprint $table): void {
            $table->dropColumn('time_revision');
        });
        Schema::drop('requests');
    }
};
