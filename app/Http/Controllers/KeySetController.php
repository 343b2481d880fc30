<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Download;
use App\Http\ImportConflict;
use App\Keys\KeySets;
use App\Models\KeySet;
use App\Models\Setting;
use App\Songs\Library;
use App\Songs\Transaction;
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
    public function index(): JsonResponse
    {
        return self::state();
    }

    /** A copy of a set (`from`, 0 for the one that ships) under a name; it is in use at once. */
    public function store(Request $request): JsonResponse
    {
        $name = Library::name($request->json('name'));
        $from = $request->json('from', 0);
        $set = KeySet::keep(new CoreKeySet($name, KeySets::keymap(is_int($from) ? $from : throw Refusal::parameter('from', $from, 'the number of a set'))));
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

    /** Brings back a set that was deleted; it is in use at once. */
    public function restore(int $set): JsonResponse
    {
        KeySet::onlyTrashed()->findOrFail($set)->restore();
        Setting::put(Setting::KEY_SET, $set);

        return self::state();
    }

    public function use(int $set): JsonResponse
    {
        KeySets::keymap($set);
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
        $keymap = KeySets::keymap(KeySets::current());

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

        KeySets::change(static function (Keymap $map) use ($binding, $request, $instead): Keymap {
            if (is_array($instead) && is_string($instead['context'] ?? null) && is_string($instead['keys'] ?? null)) {
                $map = $map->without($instead['context'], $instead['keys']);
            }

            return $map->with($binding, $request->json('replace') === true);
        });

        return self::state();
    }

    public function take(Request $request): JsonResponse
    {
        $context = $request->json('context');
        $keys = $request->json('keys');
        if (! is_string($context) || ! is_string($keys)) {
            throw Refusal::parameter('keys', $keys, 'keys in a context');
        }

        KeySets::change(static fn (Keymap $map): Keymap => $map->without($context, $keys));

        return self::state();
    }

    /** Sets one command, or with none named all of them, back to how they ship. */
    public function reset(Request $request): JsonResponse
    {
        $command = $request->json('command');

        KeySets::change(static fn (Keymap $map): Keymap => is_string($command) ? $map->reset($command, Defaults::keymap()) : Defaults::keymap());

        return self::state();
    }

    public function undo(): JsonResponse
    {
        $set = KeySet::query()->find(KeySets::current());
        if ($set === null || ! $set->undo()) {
            throw new Refusal('There is no change of shortcuts to undo.');
        }

        return self::state();
    }

    /**
     * Brings in a file of shortcuts, in use at once. Where a set of its name is there, `as` says whether both are kept or
     * that is replaced, which `undo` takes back.
     *
     * @throws ImportConflict where one is there and `as` is left out
     */
    public function import(Request $request): JsonResponse
    {
        $brought = CoreKeySet::fromArray($request->json('file'));
        $as = ImportConflict::how($request->json('as'));
        Transaction::whole(static function () use ($brought, $as): void {
            $names = array_values(array_map(static fn (KeySet $s): string => $s->name, KeySet::query()->get()->all()));
            $there = KeySet::query()->where('name', $brought->name)->first();
            if ($there !== null && $as === null && $there->toCore()->toArray() != $brought->toArray()) {
                throw new ImportConflict([$there->name]);
            }
            if ($there !== null && $as !== 'both') {
                $there->change($brought->keymap);
            } else {
                $there = KeySet::keep(new CoreKeySet(ImportConflict::free($brought->name, $names), $brought->keymap));
            }
            Setting::put(Setting::KEY_SET, $there->id);
        });

        return self::state();
    }

    public function export(int $set): Response
    {
        $core = new CoreKeySet(KeySets::nameOf($set), KeySets::keymap($set));

        return Download::json("$core->name.keys.json", json_encode($core->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT));
    }

    private static function state(): JsonResponse
    {
        return new JsonResponse(KeySets::now());
    }
}
