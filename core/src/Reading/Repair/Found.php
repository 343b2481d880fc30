<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading\Repair;

use Jactonic\Core\Score\Note;

/** Something that may want mending: where, which notes, in a sentence, and the commands that mend it. */
final readonly class Found
{
    /**
     * @param  string  $kind  of the finder
     * @param  int  $tick  where it is
     * @param  list<int>  $notes  ids
     * @param  string  $said  a sentence
     * @param  string  $mend  what mending does, a few words
     * @param  list<array<string, mixed>>  $do  commands, as they are sent
     */
    public function __construct(
        public string $kind,
        public int $part,
        public int $tick,
        public array $notes,
        public string $said,
        public string $mend,
        public array $do,
    ) {
    }

    /**
     * One that a single edit of some notes mends.
     *
     * @param  non-empty-list<Note>  $notes  the first says where it is
     * @param  list<Note>|null  $mended  those that the edit works on; null for all
     * @param  array<string, mixed>  $params
     */
    public static function of(string $kind, int $part, array $notes, string $said, string $mend, string $edit, array $params = [], ?array $mended = null): self
    {
        return new self($kind, $part, $notes[0]->start, self::ids($notes), $said, $mend, [['edit' => $edit, 'params' => $params, 'on' => ['part' => $part, 'notes' => self::ids($mended ?? $notes)]]]);
    }

    /**
     * @param  list<Note>  $notes
     * @return list<int>
     */
    private static function ids(array $notes): array
    {
        return array_map(static fn (Note $n): int => $n->id, $notes);
    }

    /** @return array<string, mixed> as it is answered */
    public function toArray(string $place): array
    {
        return ['kind' => $this->kind, 'part' => $this->part, 'tick' => $this->tick, 'place' => $place, 'notes' => $this->notes, 'said' => $this->said, 'mend' => $this->mend, 'do' => $this->do];
    }
}
