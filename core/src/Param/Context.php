<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/** What a command knows of where it was given: the caret, the pointer, the span. The words for places are resolved out of it. */
final readonly class Context
{
    public const ALLOWED = '{"caret": tick or {"tick", "pitch"}, "pointer": tick, "span": [tick, tick], "track": id}';

    /**
     * @param  int|null  $caret  tick
     * @param  int|null  $row  pitch of the caret
     * @param  int|null  $pointer  tick
     * @param  array{int, int}|null  $span  its first tick, and the one after its last
     * @param  int|null  $track  id of the track that the caret stands on, where it stands on one
     */
    public function __construct(public ?int $caret = null, public ?int $row = null, public ?int $pointer = null, public ?array $span = null, public ?int $track = null)
    {
    }

    /** The same with the caret elsewhere. */
    public function withCaret(int $tick, ?int $row): self
    {
        return new self($tick, $row, $this->pointer, $this->span, $this->track);
    }

    /** @throws Refusal that says what in it is wrong */
    public static function read(mixed $context): self
    {
        if ($context === null) {
            return new self;
        }
        if (! is_array($context) || array_diff(array_keys($context), ['caret', 'pointer', 'span', 'track']) !== []) {
            throw Refusal::parameter('context', $context, self::ALLOWED);
        }
        $caret = $context['caret'] ?? null;
        [$tick, $row] = is_array($caret) ? [$caret['tick'] ?? null, $caret['pitch'] ?? null] : [$caret, null];
        $span = $context['span'] ?? null;
        if ($span !== null && (! is_array($span) || count($span) !== 2 || self::tick($span[0] ?? null) === null || self::tick($span[1] ?? null) === null || $span[0] >= $span[1])) {
            throw Refusal::parameter('context.span', $span, 'two ticks, the second after the first');
        }
        if ($row !== null && (! is_int($row) || $row < 0 || $row > 127)) {
            throw Refusal::parameter('context.caret', $caret, 'a pitch from 0 to 127');
        }
        if (isset($context['track']) && ! is_int($context['track'])) {
            throw Refusal::parameter('context.track', $context['track'], 'the id of a track');
        }
        foreach (['caret' => $tick, 'pointer' => $context['pointer'] ?? null] as $name => $value) {
            if ($value !== null && self::tick($value) === null) {
                throw Refusal::parameter("context.$name", $value, 'a tick');
            }
        }
        /** @var array{int, int}|null $span */

        return new self(self::tick($tick), $row, self::tick($context['pointer'] ?? null), $span, $context['track'] ?? null);
    }

    /**
     * The tick that a word stands for.
     *
     * @throws Refusal that says what is missing
     */
    public function resolve(Word $word, Score $score, Selection $on): int
    {
        return match ($word->word) {
            'caret' => $this->caret ?? throw new Refusal('There is no caret.', 'context'),
            'pointer' => $this->pointer ?? $this->caret ?? throw new Refusal('There is no pointer over the notes.', 'context'),
            'span-start' => $this->span()[0],
            'span-end' => $this->span()[1],
            'selection-start' => self::bounds($score, $on)[0],
            'selection-end' => self::bounds($score, $on)[1],
            'part-start' => self::part($score, $on)->head->from,
            'part-end' => self::end(self::part($score, $on)),
            'song-end' => max([0, ...array_map(self::end(...), $score->parts)]),
            'bar' => $score->time->meters->barAt($this->caret ?? throw new Refusal('There is no caret.', 'context'))->start,
            'next-bar' => $score->time->meters->barAt($this->caret ?? throw new Refusal('There is no caret.', 'context'))->end(),
            default => Position::reads($word->word) ? (new Position($word->word))->tick($score->time) : $score->time->marker(substr($word->word, strlen('marker:'))) ?? throw new Refusal(sprintf('There is no marker “%s”.', substr($word->word, strlen('marker:')))),
        };
    }

    /**
     * @return array{int, int}
     *
     * @throws Refusal where there is none
     */
    public function span(): array
    {
        return $this->span ?? throw new Refusal('There is no span.', 'context');
    }

    private static function end(Part $part): int
    {
        return $part->head->to === PartHead::OPEN ? $part->lastEnd() : $part->head->to;
    }

    private static function part(Score $score, Selection $on): Part
    {
        $ids = $on->partIds();

        return $ids === [] ? throw new Refusal('There is no part selected.', 'on') : $score->part($ids[0]);
    }

    /** @return array{int, int} first start and last end of what is selected */
    private static function bounds(Score $score, Selection $on): array
    {
        $from = $to = [];
        foreach ($on->notes as $part => $ids) {
            foreach ($ids as $id) {
                $note = $score->part($part)->notes[$id];
                $from[] = $note->start;
                $to[] = $note->end();
            }
        }
        foreach ($on->points as $part => $lanes) {
            foreach (array_merge(...array_values($lanes)) as $id) {
                $from[] = $to[] = $score->part($part)->points[$id]->tick;
            }
        }
        foreach ($on->parts as $id) {
            $from[] = $score->part($id)->head->from;
            $to[] = self::end($score->part($id));
        }

        return $from === [] || $to === [] ? throw new Refusal('Nothing is selected.', 'on') : [min($from), max($to)];
    }

    private static function tick(mixed $value): ?int
    {
        return is_int($value) && $value >= 0 && $value <= Place::LAST ? $value : null;
    }
}
