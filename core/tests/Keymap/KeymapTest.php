<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Keymap;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Keymap\KeySet;
use Jactonic\Core\Keymap\Stroke;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class KeymapTest extends TestCase
{
    #[TestWith(['shift+a', null])]
    #[TestWith(['Shift+Mod+a', 'Mod+Shift+A'])]
    #[TestWith(['q', 'Q'])]
    #[TestWith(['Alt+ArrowUp', 'Alt+ArrowUp'])]
    #[TestWith(['Mod+W', null])]
    #[TestWith(['Mod+T', null])]
    #[TestWith(['Mod+Mod+A', null])]
    #[TestWith(['Hyper+A', null])]
    #[TestWith(['', null])]
    #[TestWith(['ä', null])]
    public function test_a_stroke_has_one_form_and_none_that_the_browser_keeps(string $stroke, ?string $normal): void
    {
        if ($normal === null) {
            $this->expectException(Refusal::class);
        }
        self::assertSame($normal, Stroke::normal($stroke));
    }

    public function test_a_collision_is_named_and_never_silently_won(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/louder.*quantize|quantize.*louder/s');
        new Keymap([new Binding('roll', 'Q', 'quantize', [], 'quantize'), new Binding('roll', 'Q', 'velocity-add', ['amount' => 5], 'louder')]);
    }

    public function test_a_key_cannot_be_both_a_command_and_the_first_of_two(): void
    {
        $this->expectException(Refusal::class);
        new Keymap([new Binding('roll', 'X', 'mute', [], 'mute'), new Binding('roll', 'X M', 'delete', [], 'delete')]);
    }

    /** @param  list<string>  $keys */
    #[TestWith([['N', 'N M'], true])]
    #[TestWith([['N M', 'N'], true])]
    #[TestWith([['N M', 'N M'], true])]
    #[TestWith([['N M', 'N O', 'M', 'Shift+N'], false])]
    #[TestWith([['N M', 'N O', 'M N', 'M O'], false])]
    public function test_in_one_context_no_keys_stand_in_the_way_of_others(array $keys, bool $collide): void
    {
        $map = static fn (array $contexts): Keymap => new Keymap(array_map(static fn (string $context, string $k): Binding => new Binding($context, $k, 'mute', [], 'mute'), $contexts, $keys));

        self::assertCount(count($keys), $map(array_slice(Keymap::CONTEXTS, 0, count($keys)))->bindings, 'each in a context of its own');
        if ($collide) {
            $this->expectException(Refusal::class);
        }
        self::assertCount(count($keys), $map(array_fill(0, count($keys), 'roll'))->bindings);
    }

    public function test_what_would_be_lost_is_named_and_gives_way_only_when_asked(): void
    {
        $map = new Keymap([
            new Binding('roll', 'Q', 'quantize', [], 'quantize'), new Binding('roll', 'N M', 'select', ['move' => 'muted'], 'muted ones'),
            new Binding('roll', 'N O', 'select', ['move' => 'overlapping'], 'overlapping ones'), new Binding('any', 'Q', 'undo', [], 'undo'),
        ]);
        $labels = static fn (array $bindings): array => array_map(static fn (Binding $b): string => $b->label, $bindings);

        self::assertSame(['quantize'], $labels($map->lost('roll', 'q')));
        self::assertSame(['muted ones', 'overlapping ones'], $labels($map->lost('roll', 'N')), 'a stroke that begins sequences takes them');
        self::assertSame(['quantize'], $labels($map->lost('roll', 'Q X')), 'and a sequence the stroke that it begins with');
        self::assertSame([], $map->lost('roll', 'N X'));
        self::assertSame(['undo'], $labels($map->hidden('roll', 'Q')));
        self::assertSame(['quantize'], $labels($map->hidden('any', 'Q')));
        $mute = new Binding('roll', 'N', 'mute', [], 'mute');
        self::assertSame(['quantize', 'undo', 'mute'], $labels($map->with($mute, true)->bindings));
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('N runs “muted ones” and “overlapping ones” already.');
        $map->with($mute);
    }

    public function test_a_shortcut_is_taken_away_and_a_command_set_back(): void
    {
        $defaults = Defaults::keymap();
        $changed = $defaults->without('roll', 'Q')->with(new Binding('roll', 'F7', 'quantize', [], 'quantize'))->with(new Binding('roll', 'Q', 'mute', [], 'mute'));
        $back = $changed->reset('quantize', $defaults);
        $keys = static fn (Keymap $map): array => array_values(array_map(static fn (Binding $b): string => $b->keys, array_filter($map->bindings, static fn (Binding $b): bool => $b->command === 'quantize' && $b->context === 'roll')));

        self::assertSame(['F7'], $keys($changed));
        self::assertSame(['Q'], $keys($back));
        $this->expectException(Refusal::class);
        $changed->without('roll', 'F6');
    }

    public function test_a_set_is_kept_and_read_back_and_a_bad_one_says_why(): void
    {
        $set = new KeySet('Mine', Defaults::keymap());
        $json = json_decode((string) json_encode($set->toArray()), true);
        self::assertEquals($set, KeySet::fromArray($json));
        self::assertIsArray($json);
        $with = static fn (array $key): array => ['kind' => 'keys', 'name' => 'x', 'keys' => [$key + ['context' => 'roll', 'keys' => 'Q', 'command' => 'quantize', 'params' => []]]];
        foreach ([
            'no such kind' => [['kind' => 'recipe'] + $json, 'no file of shortcuts'], 'no name' => [['name' => ''] + $json, 'name of 1 to 80'],
            'unknown command' => [$with(['command' => 'explode']), 'no command'], 'wrong parameter' => [$with(['params' => ['strength' => 900]]), 'strength'],
            'kept by the browser' => [$with(['keys' => 'Mod+W']), 'keep it for themselves'], 'no stroke' => [$with(['keys' => 'Hyper+Q']), 'modifiers'],
            'three strokes' => [$with(['keys' => 'Q W E']), 'one stroke or two'], 'no context' => [$with(['context' => 'moon']), 'context'], 'too much in it' => [$with(['colour' => 'red']), 'context'],
            'not a list' => [['kind' => 'keys', 'name' => 'x', 'keys' => 'Q'], 'a list'], 'nothing' => [null, 'no file of shortcuts'],
        ] as $what => [$bad, $words]) {
            try {
                KeySet::fromArray($bad);
                self::fail("$what was taken");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($words, $refusal->getMessage(), $what);
            }
        }
    }

    public function test_every_edit_of_notes_has_a_key_and_so_has_its_panel(): void
    {
        $runs = $opens = [];
        foreach (Defaults::keymap()->bindings as $binding) {
            self::assertLessThanOrEqual(2, count(explode(' ', $binding->keys)));
            $edit = is_string($binding->params['edit'] ?? null) ? $binding->params['edit'] : '';
            $name = is_string($binding->params['name'] ?? null) ? $binding->params['name'] : 'edit';
            if ($binding->command === 'panel') {
                $opens["$name $edit"] = true;
            } else {
                $runs[$binding->command === 'again' ? $edit : $binding->command] = true;
            }
        }
        foreach (Catalogue::specs() as $spec) {
            if (! $spec->asked || ! in_array('roll', $spec->contexts, true)) {
                // A take is recorded, a tempo is tapped, notes are written by the pen; parts are for the song's page.
                continue;
            }
            $panel = $spec->hasPanel() ? isset($opens["edit $spec->id"]) || isset($opens["$spec->panel "]) : true;
            self::assertTrue($panel, "a key opens the panel of $spec->id");
            // What cannot be done without a value is asked for in its panel.
            $needsValue = array_filter($spec->params, static fn (Param $p): bool => $p->isRequired()) !== [];
            // Markers are moved on the song's page.
            self::assertTrue(isset($runs[$spec->id]) || ($needsValue && $spec->hasPanel()) || $spec->family === Family::Song, "a key runs $spec->id");
        }
    }

    public function test_the_arrows_have_a_grammar(): void
    {
        $commands = [];
        foreach (Defaults::keymap()->toArray() as $binding) {
            if ($binding['context'] === 'roll') {
                $commands[$binding['keys']] = $binding['command'];
            }
        }
        foreach (['', 'Shift+'] as $width) {
            self::assertSame(['transpose', 'transpose'], [$commands["{$width}ArrowUp"], $commands["{$width}ArrowDown"]]);
        }
        foreach (['', 'Shift+', 'Alt+'] as $width) {
            self::assertSame(['nudge', 'nudge'], [$commands["{$width}ArrowLeft"], $commands["{$width}ArrowRight"]]);
            self::assertSame(['velocity-add', 'velocity-add'], [$commands[self::mod($width, 'ArrowUp')], $commands[self::mod($width, 'ArrowDown')]]);
            self::assertSame(['resize', 'resize'], [$commands[self::mod($width, 'ArrowLeft')], $commands[self::mod($width, 'ArrowRight')]]);
        }
    }

    private static function mod(string $width, string $key): string
    {
        return Stroke::normal("Mod+$width$key");
    }
}
