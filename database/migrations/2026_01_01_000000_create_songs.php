<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('songs', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->unsignedInteger('ppq');
            $table->json('tempos');
            $table->json('meters');
            $table->json('source');
            $table->unsignedBigInteger('revision')->default(1);
            // The step at which the song stands; null before the first. `first` is the one that redo takes from there.
            $table->unsignedBigInteger('head_id')->nullable();
            $table->unsignedBigInteger('first_id')->nullable();
            $table->timestamps();
            $table->softDeletes();
        });

        Schema::create('tracks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('name');
            $table->boolean('muted')->default(false);
            $table->boolean('soloed')->default(false);
            $table->unsignedBigInteger('end')->default(0);
            $table->json('kept');
            $table->unsignedBigInteger('revision')->default(1);
            $table->unique(['song_id', 'position']);
        });

        Schema::create('parts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            $table->foreignId('track_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->json('document');
            $table->json('settings');
            $table->unsignedBigInteger('last_end');
            $table->unsignedBigInteger('next_note');
            $table->unsignedBigInteger('next_point');
            $table->unsignedBigInteger('revision')->default(1);
        });

        Schema::create('steps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            // A tree: going back and doing something else begins a branch and loses nothing.
            $table->foreignId('parent_id')->nullable()->constrained('steps');
            $table->unsignedBigInteger('next_id')->nullable();
            $table->json('command');
            $table->text('said');
            $table->json('change');
            $table->timestamp('created_at');
            $table->index(['song_id', 'id']);
        });
    }

    public function down(): void
    {
        foreach (['steps', 'parts', 'tracks', 'songs'] as $table) {
            Schema::drop($table);
        }
    }
};
