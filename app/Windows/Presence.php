<?php

declare(strict_types=1);

namespace App\Windows;

use PDO;

/**
 * What windows that are open on a song are told once or twice a second: how the song stands, and where the others are. It
 * needs nothing of the framework, since it is asked so often that it has to cost next to nothing.
 */
final readonly class Presence
{
    /** Seconds after which a window that has not asked is gone. */
    private const GONE = 4;

    private const MOST_WINDOWS = 50;

    public function __construct(private PDO $data, private string $folder)
    {
    }

    /**
     * @param  array<array-key, mixed>  $query  of a request: window, and where it is: part, tick; or gone, where it is closed
     * @return array{revision: int, epoch: string, name: string, others: list<array{window: string, name: string, part: int|null, tick: int}>}|null null where there is no such song
     */
    public function answer(int $song, array $query, ?float $now = null): ?array
    {
        $now ??= microtime(true);
        $read = $this->data->prepare("select revision, (select value from settings where name = 'epoch') as epoch from songs where id = ? and deleted_at is null");
        $read->execute([$song]);
        $row = $read->fetch(PDO::FETCH_ASSOC);
        if (! is_array($row)) {
            return null;
        }
        $window = is_string($query['window'] ?? null) && preg_match('/^[a-zA-Z0-9-]{1,64}$/', $query['window']) === 1 ? $query['window'] : '';
        $others = $this->others($song, $window, $now);
        if ($window !== '' && isset($query['gone'])) {
            @unlink("$this->folder/$song-$window.json");
            $window = '';
        }
        $name = $window === '' ? '' : $this->keep($song, $window, $query, $others, $now);
        $epoch = is_string($row['epoch']) ? json_decode($row['epoch']) : '';

        return ['revision' => is_numeric($row['revision']) ? (int) $row['revision'] : 0, 'epoch' => is_string($epoch) ? $epoch : '', 'name' => $name,
            'others' => array_map(static fn (array $other): array => ['window' => $other['window'], 'name' => "Window {$other['number']}", 'part' => $other['part'], 'tick' => $other['tick']], $others)];
    }

    /** @return list<array{window: string, number: int, part: int|null, tick: int}> */
    private function others(int $song, string $window, float $now): array
    {
        $others = [];
        foreach (array_diff(glob("$this->folder/$song-*.json") ?: [], ["$this->folder/$song-$window.json"]) as $file) {
            $kept = json_decode((string) @file_get_contents($file), true);
            if (! is_array($kept) || ! is_numeric($kept['at'] ?? null) || $now - $kept['at'] > self::GONE) {
                @unlink($file);

                continue;
            }
            if (is_string($kept['window'] ?? null)) {
                $others[] = ['window' => $kept['window'], 'number' => self::whole($kept['number'] ?? 1) ?? 1, 'part' => self::whole($kept['part'] ?? null), 'tick' => self::whole($kept['tick'] ?? 0) ?? 0];
            }
        }

        return $others;
    }

    /**
     * @param  array<array-key, mixed>  $query
     * @param  list<array{window: string, number: int, part: int|null, tick: int}>  $others
     * @return string how the others call it
     */
    private function keep(int $song, string $window, array $query, array $others, float $now): string
    {
        $file = "$this->folder/$song-$window.json";
        $before = json_decode((string) @file_get_contents($file), true);
        $number = is_array($before) ? self::whole($before['number'] ?? null) : null;
        $taken = array_column($others, 'number');
        if ($number === null || in_array($number, $taken, true)) {
            for ($number = 1; in_array($number, $taken, true) && $number < self::MOST_WINDOWS; $number++);
        }
        @mkdir($this->folder, 0777, true);
        // A file that is written while another reads it is read next time.
        @file_put_contents($file, json_encode(['window' => $window, 'number' => $number, 'part' => self::whole($query['part'] ?? null), 'tick' => self::whole($query['tick'] ?? null) ?? 0, 'at' => $now]), LOCK_EX);

        return "Window $number";
    }

    private static function whole(mixed $value): ?int
    {
        return is_numeric($value) && abs((float) $value) < 2 ** 50 ? (int) $value : null;
    }
}
