<?php

declare(strict_types=1);

use App\Demo\Drills;
use App\Http\Controllers\BackupController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\GrooveController;
use App\Http\Controllers\KeySetController;
use App\Http\Controllers\LongRequestController;
use App\Http\Controllers\RecipeController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\SongController;
use App\Http\Controllers\TypedController;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Route;

// No id is longer; one that is names nothing.
$id = '[0-9]{1,18}';

Route::prefix('api')->where(['song' => $id, 'track' => $id, 'groove' => $id, 'set' => $id, 'phrase' => $id])->group(static function (): void {
    // Answers at once and does nothing: whether the server is there, and what a request costs by itself.
    Route::get('alive', static fn (): Response => new Response('', 204));
    Route::get('setup', SetupController::class);
    Route::get('drills', static fn (): JsonResponse => new JsonResponse(array_map(static fn (array $d): array => array_diff_key($d, ['do' => true]), Drills::all())));
    Route::post('typed', TypedController::class);
    Route::get('doing/{key}', [LongRequestController::class, 'show']);
    Route::delete('doing/{key}', [LongRequestController::class, 'stop']);
    Route::get('songs', [SongController::class, 'index']);
    Route::post('imports', [SongController::class, 'import']);
    Route::post('songs', [SongController::class, 'store']);
    Route::get('songs/{song}', [SongController::class, 'show']);
    Route::patch('songs/{song}', [SongController::class, 'update']);
    Route::delete('songs/{song}', [SongController::class, 'destroy']);
    Route::post('songs/{song}/restore', [SongController::class, 'restore']);
    Route::post('songs/{song}/duplicate', [SongController::class, 'duplicate']);
    Route::get('songs/{song}/file', [SongController::class, 'export']);
    // Asked by every open window all the time: bootstrap/presence.php answers it where it can.
    Route::get('songs/{song}/presence', [SongController::class, 'presence']);
    Route::get('songs/{song}/whole', [SongController::class, 'whole']);
    Route::get('deleted-songs', [SongController::class, 'deleted']);
    Route::delete('deleted-songs/{song}', [SongController::class, 'remove']);
    Route::get('backups', [BackupController::class, 'index']);
    Route::post('backups', [BackupController::class, 'store']);
    Route::post('backups/restore', [BackupController::class, 'bring']);
    Route::get('backups/{backup}/file', [BackupController::class, 'file'])->where('backup', '[\w .-]{1,200}');
    Route::post('backups/{backup}/restore', [BackupController::class, 'restore'])->where('backup', '[\w .-]{1,200}');
    Route::get('songs/{song}/changes', [SongController::class, 'changes']);
    Route::patch('songs/{song}/tracks/{track}', [SongController::class, 'track']);
    Route::post('songs/{song}/edits', [EditController::class, 'edits']);
    Route::post('songs/{song}/landing', [EditController::class, 'landing']);
    Route::post('songs/{song}/reading', [EditController::class, 'reading']);
    Route::get('songs/{song}/before', [EditController::class, 'before']);
    Route::post('songs/{song}/undo', [EditController::class, 'undo']);
    Route::post('songs/{song}/redo', [EditController::class, 'redo']);
    Route::get('songs/{song}/steps', [EditController::class, 'steps']);
    Route::post('songs/{song}/steps', [EditController::class, 'goTo']);
    Route::get('songs/{song}/grooves', [GrooveController::class, 'index']);
    Route::post('songs/{song}/grooves', [GrooveController::class, 'store']);
    Route::patch('grooves/{groove}', [GrooveController::class, 'update']);
    Route::delete('grooves/{groove}', [GrooveController::class, 'destroy']);
    Route::get('key-sets', [KeySetController::class, 'index']);
    Route::post('key-sets', [KeySetController::class, 'store']);
    Route::post('key-sets/import', [KeySetController::class, 'import']);
    Route::post('key-sets/undo', [KeySetController::class, 'undo']);
    Route::post('key-sets/reset', [KeySetController::class, 'reset']);
    Route::post('keys/check', [KeySetController::class, 'check']);
    Route::post('keys', [KeySetController::class, 'give']);
    Route::post('keys/take', [KeySetController::class, 'take']);
    Route::patch('key-sets/{set}', [KeySetController::class, 'update']);
    Route::delete('key-sets/{set}', [KeySetController::class, 'destroy']);
    Route::post('key-sets/{set}/restore', [KeySetController::class, 'restore']);
    Route::post('key-sets/{set}/use', [KeySetController::class, 'use']);
    Route::get('key-sets/{set}/file', [KeySetController::class, 'export']);
    Route::get('recipes', [RecipeController::class, 'index']);
    Route::post('recipes', [RecipeController::class, 'store']);
    Route::post('recipes/import', [RecipeController::class, 'import']);
    Route::post('recipes/fold', [RecipeController::class, 'fold']);
    Route::get('recipes/file', [RecipeController::class, 'exportAll']);
    Route::put('recipes/{recipe}', [RecipeController::class, 'update']);
    Route::delete('recipes/{recipe}', [RecipeController::class, 'destroy']);
    Route::post('recipes/{recipe}/restore', [RecipeController::class, 'restore']);
    Route::get('recipes/{recipe}/file', [RecipeController::class, 'export']);
    Route::get('grooves/{groove}/file', [GrooveController::class, 'export']);
    Route::post('songs/{song}/shelf', [ShelfController::class, 'keep']);
    Route::get('shelf', [ShelfController::class, 'index']);
    Route::post('shelf', [ShelfController::class, 'import']);
    Route::get('shelf/{phrase}', [ShelfController::class, 'clip']);
    Route::get('shelf/{phrase}/file', [ShelfController::class, 'export']);
    Route::patch('shelf/{phrase}', [ShelfController::class, 'update']);
    Route::delete('shelf/{phrase}', [ShelfController::class, 'destroy']);
    Route::post('shelf/{phrase}/restore', [ShelfController::class, 'restore']);
});

Route::view('/', 'app');
Route::view('/keys', 'app');
Route::view('/keys/sheet', 'app');
Route::view('/pace', 'app');
Route::view('/guide', 'app');
Route::view('/getting-started', 'app');
Route::view('/backups', 'app');
Route::view('/songs/{song}', 'app', ['page' => 'resources/js/views/SongPage.svelte'])->where('song', $id);
Route::view('/songs/{song}/chords', 'app')->where('song', $id);
Route::view('/songs/{song}/parts/{part}', 'app', ['page' => 'resources/js/views/RollPage.svelte'])->where(['song' => $id, 'part' => $id]);
// The application says that there is no such page, and shows the songs.
Route::get('/{other}', static fn (): Response => response()->view('app', [], 404))->where('other', '(?!api/)[^.]+');
