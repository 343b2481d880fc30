<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;
use Jactonic\Core\Standard\Articulations;

/**
 * The ways in which an instrument can be played, and what has to be sent for each: a program, a key of the keyboard that
 * switches, a controller, another channel; how long and how loud its notes are. Belongs to a track, and is kept in the
 * track's file as a sequencer-specific event. The first of it holds where a note has none. Immutable.
 *
 * @phpstan-type Sent array{program: int}|array{key: int}|array{cc: int, value: int}|array{channel: int}
 * @phpstan-type One array{id: string, name: string, mark: string, do: list<Sent>, length: int, velocity: int}
 */
final readonly class ArticulationSet
{
    public const MOST = 64;

    public const ALLOWED = 'the name of a set that ships, or {"name", "articulations": [{"id", "name", "mark", "do", "length", "velocity"}]}';

    /** Before its JSON in the body of the event: 7D stands for programs of no maker. */
    private const BODY = "\x7DJactonic articulations ";

    private const META = 0x7F;

    /** @param  non-empty-list<One>  $articulations */
    private function __construct(public string $name, public array $articulations)
    {
    }

    /**
     * Out of a form or a file.
     *
     * @throws Refusal that says which articulation is at fault and why
     */
    public static function read(mixed $set, string $parameter = 'set'): self
    {
        if (is_string($set)) {
            $shipped = array_values(array_filter(Articulations::SETS, static fn (array $s): bool => strcasecmp($s['name'], $set) === 0))[0] ?? null;
            $set = $shipped ?? (str_starts_with(ltrim($set), '{') ? json_decode($set, true) : throw Refusal::parameter($parameter, $set, 'one of '.implode(', ', array_column(Articulations::SETS, 'name')).', or a set of your own'));
        }
        $list = is_array($set) ? $set['articulations'] ?? null : null;
        if (! is_array($set) || ! is_array($list) || ! array_is_list($list) || $list === []) {
            throw Refusal::parameter($parameter, $set, self::ALLOWED);
        }
        if (count($list) > self::MOST) {
            throw new Refusal(sprintf('A set holds at most %d articulations; this one has %d.', self::MOST, count($list)), $parameter);
        }
        $read = [];
        foreach ($list as $i => $one) {
            $read[] = self::one($one, $i + 1, $parameter);
        }
        $ids = array_column($read, 'id');
        if (count(array_unique($ids)) < count($ids)) {
            throw new Refusal('Two articulations of the set have the same id: each needs one of its own.', $parameter);
        }

        return new self(self::text($set['name'] ?? null, 'The set', 'name', $parameter), $read);
    }

    /** That of a track; null where it has none. */
    public static function of(Track $track): ?self
    {
        foreach ($track->kept() as $kept) {
            if (self::isIn($kept)) {
                $set = json_decode(substr($kept->bytes, strlen(self::BODY)), true);
                try {
                    return self::read($set);
                } catch (Refusal) {
                    return null;
                }
            }
        }

        return null;
    }

    /** A track with this set, or with none. */
    public static function on(Track $track, ?self $set): Track
    {
        $kept = array_values(array_filter($track->kept(), static fn (PassthroughEvent $k): bool => ! self::isIn($k)));

        return $track->withKept($set === null ? $kept : [...$kept, new PassthroughEvent(0, 0, 0xFF, self::META, self::BODY.json_encode($set->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE))]);
    }

    /**
     * One of them by its number from 1; 0, and one that there is not, is the first.
     *
     * @return One
     */
    public function at(int $number): array
    {
        return $this->articulations[max(1, $number) - 1] ?? $this->articulations[0];
    }

    /** The number of one by its id or name, in whatever letters; null where there is none. */
    public function find(string $wanted): ?int
    {
        foreach ($this->articulations as $i => $one) {
            if (strcasecmp($one['id'], $wanted) === 0 || strcasecmp($one['name'], $wanted) === 0) {
                return $i + 1;
            }
        }

        return null;
    }

    /** @return array{name: string, articulations: non-empty-list<One>} what `read` reads back */
    public function toArray(): array
    {
        return ['name' => $this->name, 'articulations' => $this->articulations];
    }

    /** Whether an event that a track keeps is a set. */
    public static function isIn(PassthroughEvent $kept): bool
    {
        return $kept->status === 0xFF && $kept->type === self::META && str_starts_with($kept->bytes, self::BODY);
    }

    /** @return One */
    private static function one(mixed $one, int $number, string $parameter): array
    {
        $which = "Articulation $number";
        if (! is_array($one)) {
            throw new Refusal("$which is no object with an id, a name and what to send.", $parameter);
        }
        $name = self::text($one['name'] ?? null, $which, 'name', $parameter);
        $do = $one['do'] ?? [];
        if (! is_array($do) || ! array_is_list($do) || count($do) > 8) {
            throw new Refusal("$which (“{$name}”): “do” is a list of at most 8 things to send.", $parameter);
        }

        return [
            'id' => self::text($one['id'] ?? strtolower($name), $which, 'id', $parameter), 'name' => $name,
            'mark' => mb_substr(self::text($one['mark'] ?? mb_substr($name, 0, 1), $which, 'mark', $parameter), 0, 4),
            'do' => array_map(static fn (mixed $sent): array => self::sent($sent, "$which (“{$name}”)", $parameter), $do),
            'length' => self::number($one['length'] ?? 100, 1, 400, "$which (“{$name}”): the length is", $parameter),
            'velocity' => self::number($one['velocity'] ?? 100, 1, 400, "$which (“{$name}”): the velocity is", $parameter),
        ];
    }

    /** @return Sent */
    private static function sent(mixed $sent, string $which, string $parameter): array
    {
        $keys = is_array($sent) ? array_keys($sent) : [];
        sort($keys);

        return match (true) {
            is_array($sent) && $keys === ['program'] => ['program' => self::number($sent['program'], 0, 127, "$which: a program is", $parameter)],
            is_array($sent) && $keys === ['key'] => ['key' => self::number($sent['key'], 0, 127, "$which: a key is", $parameter)],
            is_array($sent) && $keys === ['channel'] => ['channel' => self::number($sent['channel'], 0, 15, "$which: a channel is", $parameter)],
            is_array($sent) && $keys === ['cc', 'value'] => ['cc' => self::number($sent['cc'], 0, 119, "$which: a controller is", $parameter), 'value' => self::number($sent['value'], 0, 127, "$which: its value is", $parameter)],
            default => throw new Refusal("$which: what is sent is {\"program\"}, {\"key\"}, {\"cc\", \"value\"} or {\"channel\"}.", $parameter),
        };
    }

    private static function number(mixed $value, int $least, int $most, string $what, string $parameter): int
    {
        return is_int($value) && $value >= $least && $value <= $most ? $value : throw new Refusal(sprintf('%s a whole number from %d to %d, and not %s.', $what, $least, $most, Refusal::show($value)), $parameter);
    }

    private static function text(mixed $value, string $which, string $what, string $parameter): string
    {
        $text = is_string($value) ? trim((string) preg_replace('/[\x00-\x1F\x7F]+/u', ' ', $value)) : '';

        return $text !== '' && mb_strlen($text) <= 60 ? $text : throw new Refusal("$which has no $what of 1 to 60 letters.", $parameter);
    }
}
