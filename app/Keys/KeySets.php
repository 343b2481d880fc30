<?php

declare(strict_types=1);

namespace App\Keys;

use App\Models\KeySet;
use App\Models\Setting;
use App\Songs\Transaction;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Keymap\KeySet as CoreKeySet;
use Jactonic\Core\Refusal;

/** The sets of shortcuts, and the one in use. Number 0 is the one that ships: who changes it gets a copy. */
final class KeySets
{
    public const OWN = 'Default';

    /** @return array{set: int, name: string, sets: list<array{id: int, name: string}>, keymap: list<array<string, mixed>>, canUndo: bool} */
    public static function now(): array
    {
        $current = self::current();
        $sets = [['id' => 0, 'name' => self::OWN]];
        foreach (KeySet::query()->get()->sortBy('id') as $set) {
            $sets[] = ['id' => $set->id, 'name' => $set->name];
        }

        return ['set' => $current, 'name' => self::nameOf($current), 'sets' => $sets, 'keymap' => self::keymap($current)->toArray(),
            'canUndo' => (KeySet::query()->find($current)->before ?? []) !== []];
    }

    /** The set in use; the one that ships where another was deleted. */
    public static function current(): int
    {
        $id = Setting::integer(Setting::KEY_SET, 0);

        return $id === 0 || KeySet::query()->whereKey($id)->exists() ? $id : 0;
    }

    public static function keymap(int $set): Keymap
    {
        return $set === 0 ? Defaults::keymap() : KeySet::query()->findOrFail($set)->toCore()->keymap;
    }

    public static function nameOf(int $set): string
    {
        return $set === 0 ? self::OWN : KeySet::query()->findOrFail($set)->name;
    }

    /** @param  \Closure(Keymap): Keymap  $to */
    public static function change(\Closure $to): void
    {
        Transaction::whole(static function () use ($to): void {
            $current = self::current();
            $changed = $to(self::keymap($current));
            if ($current === 0) {
                $set = KeySet::keep(new CoreKeySet('Mine', Defaults::keymap()));
                Setting::put(Setting::KEY_SET, $set->id);
            } else {
                $set = KeySet::query()->findOrFail($current);
            }
            $set->change($changed);
        });
    }

    /**
     * Takes away, in all sets, the shortcuts that stand for something that goes.
     *
     * @param  array<string, mixed>  $params
     * @return array<int, list<array<string, mixed>>> those taken away, by set
     */
    public static function unbind(string $command, array $params): array
    {
        $gone = [];
        foreach (KeySet::query()->get() as $set) {
            $map = $set->toCore()->keymap;
            $bound = array_values(array_filter($map->bindings, static fn (Binding $b): bool => $b->command === $command && $b->params === $params));
            foreach ($bound as $binding) {
                $map = $map->without($binding->context, $binding->keys);
            }
            if ($bound !== []) {
                $gone[$set->id] = array_map(static fn (Binding $b): array => $b->toArray(), $bound);
                $set->change($map);
            }
        }

        return $gone;
    }

    /**
     * Gives back what `unbind` took away, where the keys are still free.
     *
     * @param  array<int, list<array<array-key, mixed>>>  $gone
     */
    public static function bind(array $gone): void
    {
        foreach ($gone as $id => $bindings) {
            $set = KeySet::query()->find($id);
            if ($set === null) {
                continue;
            }
            $map = $set->toCore()->keymap;
            foreach ($bindings as $binding) {
                try {
                    $map = $map->with(Binding::fromArray($binding));
                } catch (Refusal) {
                    continue;
                }
            }
            $set->change($map);
        }
    }
}
