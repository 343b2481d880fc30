<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\KeySet;
use App\Models\Setting;
use App\Songs\Keeping;
use App\Songs\Library;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Keymap\KeySet as CoreKeySet;
use Jactonic\Core\Keymap\Stroke;
use Jactonic\Core\Refusal;

/** Sets of shortcuts. Number 0 is the one that ships; whoever changes it gets a set of their own. */
final class KeySetController
{
    public const OWN = 'As Jactonic comes';

    public function index(): JsonResponse
    {
        return self::state();
    }

    /** A copy of a set (`from`, 0 for the one that ships) under a name; it is in use at once. */
    public function store(Request $request): JsonResponse
    {
        $name = Library::name($request->json('name'));
        $from = $request->json('from', 0);
        $set = KeySet::keep(new CoreKeySet($name, self::keymap(is_int($from) ? $from : throw Refusal::parameter('from', $from, 'the number of a set'))));
        Setting::put(Setting::KEY_SET, $set->id);

        return self::state();
    }

    public function update(int $set, Request $request): JsonResponse
    {
        KeySet::query()->findOrFail($set)->update(['name' => Library::name($request->json('name'))]);

        return self::state();
    }

    public function destroy(int $set): JsonResponse
    {
        KeySet::query()->findOrFail($set)->delete();

        return self::state();
    }

    public function use(int $set): JsonResponse
    {
        self::keymap($set);
        Setting::put(Setting::KEY_SET, $set);

        return self::state();
    }

    /** What giving keys a command would mean: which shortcuts would be lost, which are hidden. Nothing changes. */
    public function check(Request $request): JsonResponse
    {
        $context = $request->json('context');
        $keys = $request->json('keys');
        if (! is_string($context) || ! is_string($keys)) {
            throw Refusal::parameter('keys', $keys, 'keys in a context');
        }
        $keymap = self::keymap(self::current());

        return new JsonResponse([
            'keys' => Stroke::sequence($keys),
            'lost' => array_map(static fn (Binding $b): array => $b->toArray(), $keymap->lost($context, $keys)),
            'hidden' => array_map(static fn (Binding $b): array => $b->toArray(), $keymap->hidden($context, $keys)),
        ]);
    }

    /** Gives keys to a command. With `replace`, shortcuts in the way are taken away; with `instead`, another of its shortcuts is. */
    public function give(Request $request): JsonResponse
    {
        $binding = Binding::fromArray($request->json('binding'));
        $instead = $request->json('instead');

        return self::change(static function (Keymap $map) use ($binding, $request, $instead): Keymap {
            if (is_array($instead) && is_string($instead['context'] ?? null) && is_string($instead['keys'] ?? null)) {
                $map = $map->without($instead['context'], $instead['keys']);
            }

            return $map->with($binding, $request->json('replace') === true);
        });
    }

    public function take(Request $request): JsonResponse
    {
        $context = $request->json('context');
        $keys = $request->json('keys');
        if (! is_string($context) || ! is_string($keys)) {
            throw Refusal::parameter('keys', $keys, 'keys in a context');
        }

        return self::change(static fn (Keymap $map): Keymap => $map->without($context, $keys));
    }

    /** Sets one command, or with none named all of them, back to how they ship. */
    public function reset(Request $request): JsonResponse
    {
        $command = $request->json('command');

        return self::change(static fn (Keymap $map): Keymap => is_string($command) ? $map->reset($command, Defaults::keymap()) : Defaults::keymap());
    }

    public function undo(): JsonResponse
    {
        $set = KeySet::query()->find(self::current());
        if ($set === null || ! $set->undo()) {
            throw new Refusal('There is no change of shortcuts to take back.');
        }

        return self::state();
    }

    public function import(Request $request): JsonResponse
    {
        $set = KeySet::keep(CoreKeySet::fromArray($request->json('file')));
        Setting::put(Setting::KEY_SET, $set->id);

        return self::state();
    }

    public function export(int $set): Response
    {
        $core = new CoreKeySet(self::nameOf($set), self::keymap($set));

        return Library::download("$core->name.keys.json", json_encode($core->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT));
    }

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

    private static function state(): JsonResponse
    {
        return new JsonResponse(self::now());
    }

    /** The set in use; the one that ships where another was deleted. */
    private static function current(): int
    {
        $id = Setting::integer(Setting::KEY_SET, 0);

        return $id === 0 || KeySet::query()->whereKey($id)->exists() ? $id : 0;
    }

    private static function keymap(int $set): Keymap
    {
        return $set === 0 ? Defaults::keymap() : KeySet::query()->findOrFail($set)->toCore()->keymap;
    }

    private static function nameOf(int $set): string
    {
        return $set === 0 ? self::OWN : KeySet::query()->findOrFail($set)->name;
    }

    /** @param  \Closure(Keymap): Keymap  $to */
    private static function change(\Closure $to): JsonResponse
    {
        Keeping::whole(static function () use ($to): void {
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

        return self::state();
    }
}
