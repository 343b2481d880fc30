<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Recipes and sets of shortcuts that are deleted are put away, and can be brought back: with the keys that they had. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->softDeletes();
            // The shortcuts that stood for it when it was put away, by set.
            $table->json('bound')->nullable();
        });
        Schema::table('key_sets', static function (Blueprint $table): void {
            $table->softDeletes();
        });
    }

    public function down(): void
    {
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->dropColumn(['deleted_at', 'bound']);
        });
        Schema::table('key_sets', static function (Blueprint $table): void {
            $table->dropColumn('deleted_at');
        });
    }
};
