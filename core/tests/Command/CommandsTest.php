<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Command;
use Jactonic\Core\Command\Commands;
use Jactonic\Core\Command\InterfaceCommands;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CommandsTest extends TestCase
{
    public function test_every_edit_is_a_command_and_every_command_has_a_title_and_a_place(): void
    {
        $all = Commands::all();
        $own = array_map(static fn (Command $c): string => $c->spec->id, InterfaceCommands::all());
        self::assertSame([], array_intersect($own, array_keys(Catalogue::classes())), 'no name stands for two commands');
        self::assertSame($own, array_unique($own));
        foreach (array_keys(Catalogue::classes()) as $id) {
            self::assertArrayHasKey($id, $all);
        }
        foreach ($all as $id => $command) {
            self::assertSame($id, $command->spec->id);
            self::assertMatchesRegularExpression('/^\p{Lu}/u', $command->spec->title);
            self::assertStringEndsWith('.', $command->spec->about);
            self::assertNotSame([], $command->contexts);
            self::assertSame([], array_diff($command->contexts, Keymap::CONTEXTS));
            foreach ($command->forms as $form) {
                Commands::check($id, $form['params']);
                self::assertNotSame('', $form['title']);
            }
            $params = array_map(static fn (array $f): string => (string) json_encode($f['params']), $command->forms);
            self::assertSame($params, array_unique($params), "$id has no form twice");
        }
    }

    public function test_every_default_key_stands_for_a_command_that_takes_its_parameters(): void
    {
        foreach (Defaults::keymap()->bindings as $binding) {
            Commands::check($binding->command, $binding->params);
            $contexts = Commands::find($binding->command)->contexts;
            self::assertTrue($binding->context === 'any' || in_array('any', $contexts, true) || in_array($binding->context, $contexts, true), "$binding->command in $binding->context");
        }
        // What is needed all day has a key.
        $bound = array_map(static fn ($b): string => $b->command, Defaults::keymap()->bindings);
        foreach (['quantize', 'as-played', 'nudge', 'transpose', 'resize', 'velocity-add', 'mute', 'delete', 'legato', 'split', 'join', 'commands', 'repeat-command', 'count', 'shortcuts'] as $command) {
            self::assertContains($command, $bound);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'an unknown command' => ['explode', [], 'command'];
        yield 'a parameter it has not' => ['quantize', ['colour' => 1], 'colour'];
        yield 'one out of range' => ['transpose', ['semitones' => 200], 'semitones'];
        yield 'one that is missing' => ['transpose', [], 'semitones'];
        yield 'a move that is none' => ['select', ['move' => 'some'], 'move'];
        yield 'a setting that is none' => ['set', ['tempo' => 90], 'tempo'];
        yield 'a word where a number belongs' => ['zoom', ['by' => 'in'], 'by'];
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('wrong')]
    public function test_what_a_command_does_not_take_is_refused(string $id, array $params, string $parameter): void
    {
        try {
            Commands::check($id, $params);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($parameter, $refusal->parameter);
        }
    }
}
