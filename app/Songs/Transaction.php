<?php

declare(strict_types=1);

namespace App\Songs;

use Closure;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** The one way to change what is kept: whole or not at all, and one after another. */
final class Transaction
{
    /** That in which something is kept whole just now. */
    private static ?Connection $under = null;

    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     */
    public static function whole(Closure $work): mixed
    {
        $connection = self::connection();
        // Nobody listens: to tell of each statement takes as long as some of them.
        $events = $connection->getEventDispatcher();
        $connection->unsetEventDispatcher();
        $before = self::$under;
        self::$under = $connection;
        try {
            return $connection->transaction(static function () use ($work): mixed {
                // A transaction that reads first and writes later fails where another wrote between. This writes nothing,
                // but waits for the lock before anything is read. (SQLite's BEGIN IMMEDIATE needs PHP 8.4.) Of the tables
                // it is the one that nothing refers to.
                self::connection()->update('delete from requests where 0');

                return $work();
            });
        } finally {
            self::$under = $before;
            // Null inside another.
            if ($events !== null) {
                $connection->setEventDispatcher($events);
            }
        }
    }

    /** The connection to the data file. To find it takes as long as some statements, and an edit has eight. */
    public static function connection(): Connection
    {
        return self::$under ?? DB::connection();
    }

    /**
     * Another state of some columns of a row. Said outright: to put the words together takes longer than to write it, and
     * each edit writes three.
     *
     * @param  array<string, mixed>  $columns
     */
    public static function update(string $table, int $id, array $columns): void
    {
        $sets = implode(', ', array_map(static fn (string $name): string => "\"$name\" = ?", array_keys($columns)));
        self::connection()->update("update $table set $sets where id = ?", [...array_values($columns), $id]);
    }
}
