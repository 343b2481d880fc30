<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', storage_path('jactonic.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // An edit that was acknowledged survives a killed server.
            'journal_mode' => 'WAL',
            'synchronous' => 'FULL',
            'busy_timeout' => 10_000,
            // A server's worker keeps its connection: closing the last one writes the log back, at several times the cost of an edit.
            'options' => [PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false)],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
