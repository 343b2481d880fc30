<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Commands;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Keymap\Defaults;
use PHPUnit\Framework\TestCase;

/** What stands on screen for commands, their fields and their keys is for people: no ids, no names of parameters. */
final class TextsTest extends TestCase
{
    /** @return iterable<string, string> where it stands => text */
    private static function texts(): iterable
    {
        foreach (Commands::all() as $command) {
            $spec = $command->spec;
            yield "$spec->id title" => $spec->title;
            yield "$spec->id description" => $spec->about;
            foreach ($command->forms as $i => $form) {
                yield "$spec->id form $i" => $form['title'];
            }
            foreach ($spec->params as $param) {
                yield "$spec->id $param->name" => $param->title;
            }
        }
        foreach (Defaults::keymap()->bindings as $binding) {
            yield "$binding->context $binding->keys" => $binding->label;
        }
    }

    public function test_no_text_has_an_id_in_it(): void
    {
        $ids = array_filter(array_map(static fn (Spec $s): string => $s->id, Catalogue::specs()), static fn (string $id): bool => str_contains($id, '-'));
        $count = 0;
        foreach (self::texts() as $where => $text) {
            $count++;
            foreach ($ids as $id) {
                self::assertStringNotContainsString($id, $text, $where);
            }
            self::assertDoesNotMatchRegularExpression('/\b(\w+(?: \w+)+) \1\b/u', $text, $where);
            self::assertDoesNotMatchRegularExpression('/[a-z][A-Z]|_|[{}\[\]]/', str_replace('MIDI', '', $text), $where);
        }
        self::assertGreaterThan(1500, $count);
    }

    public function test_titles_and_descriptions_are_sentences_in_plain_form(): void
    {
        foreach (Commands::all() as $command) {
            $spec = $command->spec;
            self::assertMatchesRegularExpression('/^[\p{Lu}=]/u', $spec->title, $spec->id);
            self::assertStringEndsNotWith('.', $spec->title, $spec->id);
            self::assertMatchesRegularExpression('/^\p{Lu}\w*s\b.*\.$/us', $spec->about, $spec->id);
        }
    }
}
