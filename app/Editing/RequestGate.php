<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Song;
use App\Songs\SongView;
use App\Songs\Transaction;
use Closure;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Refusal;

/** Who may change a song: one after another, each knowing how it stands, and each request once. */
final class RequestGate
{
    /** How many keys of answered requests are kept for a song: more than can be waiting anywhere. */
    private const KEYS = 1000;

    /** Of how many what they were answered is kept, and what of it: the rest is told to whoever catches up. */
    private const ANSWERS = 16;

    private const KEPT = ['selection', 'said', 'warnings', 'refused', 'caret', 'at', 'atTrack'];

    /** Every how many revisions old keys are cleared away. */
    private const SWEPT = 64;

    /**
     * @param  mixed  $base  the revision that the request was made on
     * @param  mixed  $key  by which the request is known; null for one that has none
     * @param  Closure(Session): array<string, mixed>  $work
     * @return array<string, mixed> the answer
     *
     * @throws Stale where the song has moved on, or the very request was answered before
     * @throws Refusal
     */
    public static function enter(int $songId, mixed $base, mixed $key, Closure $work, Book $book = new Book, Context $context = new Context): array
    {
        return Transaction::whole(static function () use ($songId, $base, $key, $work, $book, $context): array {
            $song = Song::opened($songId);
            if (! is_int($base)) {
                throw Refusal::parameter('base', $base, 'the revision of the song that the command was made on');
            }
            if ($key !== null && (! is_string($key) || $key === '' || strlen($key) > 64)) {
                throw Refusal::parameter('key', $key, 'a text of 1 to 64 letters that no other request has');
            }
            if ($key !== null && ! self::isNew($song, $key)) {
                throw new Stale((new SongView($song))->since($base), true, self::answered($song, $key));
            }
            if ($base !== $song->revision) {
                throw new Stale((new SongView($song))->since($base));
            }
            $session = new Session($song, $book, $context);
            $answer = $key === null ? $work($session) : LongRequest::work($key, static fn (): array => $work($session));
            $session->save();
            if ($key !== null) {
                self::keep($song, $key, $answer);
            }

            return ['revision' => $song->revision, 'end' => $session->end()] + $answer;
        });
    }

    /**
     * Keeps what cannot be worked out again of an answer, for the last few: in each window one at most is under way.
     *
     * @param  array<string, mixed>  $answer
     */
    private static function keep(Song $song, string $key, array $answer): void
    {
        $kept = json_encode(array_intersect_key($answer, array_flip(self::KEPT)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        Transaction::connection()->update('update requests set answer = ? where song_id = ? and key = ?', [$kept, $song->id, $key]);
        if (random_int(1, self::ANSWERS) === 1) {
            $requests = DB::table('requests')->where('song_id', $song->id)->whereNotNull('answer');
            $oldest = (clone $requests)->orderByDesc('id')->skip(self::ANSWERS)->value('id');
            $requests->where('id', '<=', is_int($oldest) ? $oldest : 0)->update(['answer' => null]);
        }
    }

    /** @return array<string, mixed>|null what a request was answered before; null where that is long ago */
    private static function answered(Song $song, string $key): ?array
    {
        $kept = DB::table('requests')->where('song_id', $song->id)->where('key', $key)->value('answer');
        /** @var array<string, mixed>|null $answer */
        $answer = is_string($kept) ? json_decode($kept, true, 64, JSON_THROW_ON_ERROR) : null;

        return $answer;
    }

    /** Keeps the key of a request, with what it does or not at all; says whether it is the first with it. */
    private static function isNew(Song $song, string $key): bool
    {
        if (Transaction::connection()->affectingStatement('insert or ignore into requests (song_id, key) values (?, ?)', [$song->id, $key]) === 0) {
            return false;
        }
        // Old ones are cleared away now and then: it is not worth a look each time.
        if ($song->revision % self::SWEPT === 0) {
            $keys = DB::table('requests')->where('song_id', $song->id);
            $oldest = (clone $keys)->orderByDesc('id')->skip(self::KEYS)->value('id');
            if (is_int($oldest)) {
                $keys->where('id', '<=', $oldest)->delete();
            }
        }

        return true;
    }
}
