<?php

declare(strict_types=1);

return [
    // A log that cannot be written changes nothing of what is answered.
    'default' => 'quiet',
    'channels' => [
        'quiet' => ['driver' => 'stack', 'channels' => ['file'], 'ignore_exceptions' => true],
        'file' => ['driver' => 'single', 'path' => storage_path('logs/laravel.log'), 'level' => 'debug'],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/laravel.log')],
    ],
];
