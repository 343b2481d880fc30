<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;

/**
 * Parts as they are carried away: copied, kept on the shelf. Ticks count from where the first of them begins, at the
 * resolution `ppq`; tracks from the topmost.
 *
 * @phpstan-type Carried array{track: int, name: string, from: int, to: int, muted: bool, plays: array{int, int, int, int}, settings: array<array-key, mixed>, program: int, drums: bool, notes: array<string, list<mixed>>, points: array<string, list<mixed>>}
 */
final readonly class PartClip
{
    public const ALLOWED = '{"ppq", "parts": [{"track", "name", "from", "to", "muted", "plays", "settings", "program", "drums", "notes", "points"}]}, as the reading part-clip gives it';

    public const MOST = 200;

    /** @param  non-empty-list<Carried>  $parts */
    private function __construct(public int $ppq, public array $parts)
    {
    }

    /**
     * @param  non-empty-list<Part>  $parts
     * @param  \Closure(Part): int  $end  where the window of one ends
     */
    public static function of(Score $score, array $parts, \Closure $end): self
    {
        $anchor = min(array_map(static fn (Part $p): int => $p->head->from, $parts));
        $order = array_flip(array_keys($score->tracks));
        $top = min(array_map(static fn (Part $p): int => $order[$p->head->track], $parts));
        $carried = [];
        foreach ($parts as $part) {
            $head = $part->head;
            $sound = Sound::of($score, $head->track);
            $carried[] = [
                'track' => $order[$head->track] - $top, 'name' => $part->name, 'from' => $head->from - $anchor, 'to' => $end($part) - $anchor, 'muted' => $head->muted,
                'plays' => $head->plays->moved(-$anchor)->toArray(), 'settings' => $part->settings()->toArray(), 'program' => $sound->program->data1 ?? 0, 'drums' => $sound?->isDrums() ?? false,
                'notes' => Table::notes()->write(array_map(static fn (Note $n): Note => $n->with(['start' => $n->start - $anchor]), $part->notes->all())),
                'points' => Table::points()->write(array_map(static fn (Point $p): Point => $p->movedTo($p->tick - $anchor), $part->points->all())),
            ];
        }

        return new self($score->time->ppq, $carried);
    }

    /** @throws Refusal */
    public static function read(mixed $value, string $name): self
    {
        $refuse = static fn (mixed $part): Refusal => Refusal::parameter($name, $part, self::ALLOWED);
        if (! is_array($value) || ! is_int($value['ppq'] ?? null) || $value['ppq'] < 1 || ! is_array($value['parts'] ?? null) || $value['parts'] === [] || ! array_is_list($value['parts'])) {
            throw $refuse($value);
        }
        if (count($value['parts']) > self::MOST) {
            throw new Refusal(sprintf('%d parts are more than the %d that go at once.', count($value['parts']), self::MOST), $name);
        }
        $parts = [];
        foreach ($value['parts'] as $part) {
            $plays = is_array($part) ? $part['plays'] ?? null : null;
            if (! is_array($part) || ! is_array($plays) || count(array_filter($plays, is_int(...))) !== 4 || ! array_is_list($plays) || ! is_string($part['name'] ?? null) || ! is_array($part['settings'] ?? null)
                || ! is_int($part['from'] ?? null) || ! is_int($part['to'] ?? null) || $part['from'] < 0 || $part['to'] <= $part['from'] || ! is_int($part['track'] ?? null) || $part['track'] < 0 || $part['track'] > 1000) {
                throw $refuse($part);
            }
            PartSettings::fromArray($part['settings']);
            $program = is_int($part['program'] ?? null) && $part['program'] >= 0 && $part['program'] <= 127 ? $part['program'] : 0;
            /** @var array{int, int, int, int} $plays */
            $parts[] = ['track' => $part['track'], 'name' => mb_substr($part['name'], 0, 200), 'from' => $part['from'], 'to' => $part['to'], 'muted' => ($part['muted'] ?? false) === true, 'plays' => $plays,
                'settings' => $part['settings'], 'program' => $program, 'drums' => ($part['drums'] ?? false) === true,
                'notes' => self::columns(Table::notes(), $part['notes'] ?? [], $refuse), 'points' => self::columns(Table::points(), $part['points'] ?? [], $refuse)];
        }

        return new self($value['ppq'], $parts);
    }

    /** @return array{ppq: int, parts: non-empty-list<Carried>} */
    public function toArray(): array
    {
        return ['ppq' => $this->ppq, 'parts' => $this->parts];
    }

    /**
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     * @param  \Closure(mixed): Refusal  $refuse
     * @return array<string, list<mixed>>
     */
    private static function columns(Table $table, mixed $columns, \Closure $refuse): array
    {
        if (! is_array($columns)) {
            throw $refuse($columns);
        }
        $count = is_array($columns['id'] ?? null) ? count($columns['id']) : 0;
        $read = [];
        foreach ($columns as $name => $values) {
            if (! isset($table->columns[$name]) || ! is_array($values) || ! array_is_list($values) || count($values) !== $count) {
                throw $refuse($name);
            }
            foreach ($values as $value) {
                if (! self::fits($table->columns[$name], $value)) {
                    throw $refuse($value);
                }
            }
            $read[(string) $name] = $values;
        }
        foreach ($table->columns as $name => $column) {
            if ($column->default === null && $count > 0 && ! isset($read[$name])) {
                throw $refuse($columns);
            }
        }

        return $read;
    }

    /**
     * Whether a value may stand in a column.
     *
     * @throws Refusal for curves that are none
     */
    private static function fits(Column $column, mixed $value): bool
    {
        [$least, $most] = self::LIMITS[$column->name] ?? [-(PHP_INT_MAX >> 20), PHP_INT_MAX >> 20];

        return match (true) {
            is_bool($column->default) => is_bool($value),
            is_float($column->default) => is_float($value) || is_int($value),
            $column->isText() => is_string($value) && Expression::read($value, $column->name)->text() === $value,
            default => is_int($value) && $value >= $least && $value <= $most,
        };
    }

    private const LIMITS = ['length' => [1, PHP_INT_MAX >> 20], 'pitch' => [0, 127], 'velocity' => [1, 127], 'channel' => [0, 15], 'status' => [0x80, 0xEF], 'data1' => [0, 127], 'data2' => [0, 127], 'id' => [1, 0xFFFF_FFFF], 'release' => [-200, 127], 'articulation' => [0, ArticulationSet::MOST]];
}
