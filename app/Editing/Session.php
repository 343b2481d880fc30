<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Song;
use App\Songs\ScoreStore;
use App\Songs\SongView;
use App\Songs\Transaction;
use Jactonic\Core\Change\Change;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/** A song while it is worked on: its score as it was found, what was done to it so far, and the keeping of that. */
final class Session
{
    /** As it was found. */
    public readonly Score $found;

    /** What was done so far. */
    public Batch $batch;

    /** Whether the answer tells what changed of many by its columns, and the choice only where it is another than was given. */
    public bool $brief = false;

    /** Whether its last step is the newest of its way: nothing comes after it. */
    public bool $isNewest = false;

    /** What was said to be selected; null where nothing was. */
    public ?Selection $given = null;

    private readonly ScoreStore $store;

    public function __construct(public readonly Song $song, Book $book = new Book, Context $context = new Context)
    {
        $this->store = new ScoreStore($song);
        $this->found = $this->store->open();
        $this->batch = new Batch($this->found, $book, null, $context);
    }

    /** Takes over a change that was made before: a step gone over, back or on. */
    public function take(Change $change, Selection $chosen): void
    {
        $this->batch->take($change, $chosen);
    }

    /**
     * Makes parts ready that a change brings back.
     *
     * @param  list<int>  $ids
     */
    public function reach(array $ids): void
    {
        $this->batch->score = $this->store->withGone($this->batch->score, $ids);
    }

    /** The song as it stands, with all that is out of sight in it. */
    public function whole(): Score
    {
        return $this->store->withAllGone($this->batch->score);
    }

    /** Where what is drawn ends. */
    public function end(): int
    {
        return SongView::end($this->store->lastEnd($this->batch->score), $this->batch->score->time);
    }

    /** Keeps what was done. */
    public function save(): void
    {
        $change = $this->batch->change;
        if ($change->isEmpty() && $this->batch->rebuilt === [] && $this->batch->set === [] && ! $this->song->isDirty()) {
            return;
        }
        $this->song->revision++;
        if ($change->song !== []) {
            [$this->song->name, $this->song->scale] = [$this->batch->score->name, $this->batch->score->scale?->name];
        }
        if ($change->time !== null) {
            $this->song->tempos = $this->batch->score->time->tempoRows;
            $this->song->meters = $this->batch->score->time->meterRows;
            $this->song->markers = $this->batch->score->time->markerRows;
            $this->song->time_revision = $this->song->revision;
        }
        $this->store->save($this->batch->score, $change, $this->batch->rebuilt, $this->batch->set, $this->song->revision);
        // Not by `save`: what it loads to write the time of day costs more than the rest of an edit of a few notes.
        Transaction::update('songs', $this->song->id, $this->song->changed() + ['updated_at' => gmdate('Y-m-d H:i:s')]);
        $this->song->syncOriginal();
    }
}
