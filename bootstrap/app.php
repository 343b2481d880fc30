<?php

declare(strict_types=1);

use App\Http\Middleware\LocalOnly;
use App\Http\Middleware\Readable;
use App\Http\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\ValidatePostSize;
use Illuminate\Support\Facades\Route;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        using: static function (): void {
            Route::group([], base_path('routes/web.php'));
        },
    )
    ->withCommands([dirname(__DIR__).'/app/Console'])
    ->withMiddleware(static function (Middleware $middleware): void {
        // No sessions, no cookies, one origin: these are all that every request needs.
        $middleware->use([LocalOnly::class, ValidatePostSize::class, Readable::class]);
    })
    ->registered(static function (Application $app): void {
        // Nothing waits for the end of a transaction; to keep account of what does takes a tenth of a small one.
        unset($app['db.transactions']);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create();
