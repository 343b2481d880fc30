<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Jactonic\Core\Recipe\Shipped;

/** Sets of shortcuts and recipes: a person's own, for every song. And what was set once for all. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('key_sets', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->json('keys');
            // How it was before each of the last changes, the latest last.
            $table->json('before');
            $table->timestamps();
        });
        Schema::create('recipes', static function (Blueprint $table): void {
            $table->id();
            $table->string('key')->unique();
            $table->json('recipe');
            $table->timestamps();
        });
        Schema::create('settings', static function (Blueprint $table): void {
            $table->string('name')->primary();
            $table->json('value');
        });
        foreach (Shipped::all() as $recipe) {
            DB::table('recipes')->insert(['key' => $recipe->key, 'recipe' => json_encode($recipe->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 'created_at' => now(), 'updated_at' => now()]);
        }
    }

    public function down(): void
    {
        Schema::drop('settings');
        Schema::drop('recipes');
        Schema::drop('key_sets');
    }
};
