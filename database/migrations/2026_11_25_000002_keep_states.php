<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** So that any step of a long history is near: how deep each lies in the tree, and the song as it was after some of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('steps', static function (Blueprint $table): void {
            $table->unsignedBigInteger('depth')->default(0);
            // The way through the tree is read from this alone.
            $table->index(['song_id', 'parent_id']);
        });
        Schema::create('kept_parts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            // Of a part that may not be written yet.
            $table->unsignedBigInteger('part_id');
            $table->string('hash');
            $table->binary('contents');
            $table->unique(['part_id', 'hash']);
        });
        Schema::create('kept_states', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('song_id')->constrained()->cascadeOnDelete();
            $table->foreignId('step_id')->unique()->constrained()->cascadeOnDelete();
            $table->binary('state');
            $table->index('song_id');
        });
        $depths = [];
        foreach (DB::table('steps')->orderBy('id')->select('id', 'parent_id')->cursor() as $step) {
            /** @var object{id: int, parent_id: int|null} $step */
            $depths[$step->id] = 1 + ($depths[$step->parent_id ?? 0] ?? 0);
            DB::table('steps')->where('id', $step->id)->update(['depth' => $depths[$step->id]]);
        }
    }

    public function down(): void
    {
        Schema::drop('kept_states');
        Schema::drop('kept_parts');
        Schema::table('steps', static function (Blueprint $table): void {
            $table->dropIndex(['song_id', 'parent_id']);
            $table->dropColumn('depth');
        });
    }
};
