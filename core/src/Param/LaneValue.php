<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\Lane;
use Jactonic\Core\Standard\GeneralMidi;

/** A lane by its name. */
final class LaneValue extends Plain
{
    /** @param  string  $blank  what holds where none is named */
    public function __construct(private readonly string $blank = '')
    {
    }

    public function limits(): array
    {
        return ['blank' => $this->blank];
    }

    public function read(mixed $value, string $name): Lane
    {
        return Lane::parse(is_string($value) ? self::byTitle($value) ?? $value : $value, $name);
    }

    public function allowed(): string
    {
        return Lane::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Lane ? $value->name : $value;
    }

    public function field(): string
    {
        return 'lane';
    }

    public function typed(array $words): ?array
    {
        $found = $this->longest($words, 3);

        return $found === null ? null : [is_string($found[0]) ? self::byTitle($found[0]) ?? $found[0] : $found[0], $found[1]];
    }

    /** The lane that people call so, in whatever letters: by its whole title, or by its first word where no other begins with it. */
    private static function byTitle(string $title): ?string
    {
        /** @var array<string, string>|null $lanes */
        static $lanes = null;
        $lanes ??= self::titles();

        return $lanes[mb_strtolower(trim($title))] ?? null;
    }

    /** @return array<string, string> names by titles, in small letters */
    private static function titles(): array
    {
        $names = [...array_keys(Lane::KINDS), ...array_map(static fn (int $number): string => "cc:$number", array_keys(GeneralMidi::CONTROLLERS))];
        $all = $short = [];
        foreach ($names as $name) {
            $title = mb_strtolower(Lane::parse($name)->title());
            $all[$title] = $name;
            $short[explode(' ', $title)[0]][] = $name;
        }

        return $all + array_map(static fn (array $of): string => $of[0], array_filter($short, static fn (array $of): bool => count($of) === 1));
    }
}
