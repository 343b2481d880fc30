<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Tracks that never had a part, first in their song or with texts of the file, are conductor tracks. */
    public function up(): void
    {
        Schema::table('tracks', static function (Blueprint $table): void {
            $table->boolean('conductor')->default(false);
        });
        DB::update('update tracks set conductor = 1 where not exists (select 1 from parts where parts.track_id = tracks.id)
            and exists (select 1 from parts where parts.song_id = tracks.song_id)
            and (json_array_length(kept) > 1 or position = (select min(position) from tracks as other where other.song_id = tracks.song_id))');
    }
};
