<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Jactonic\Core\Command\InterfaceCommands;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Settings;
use Jactonic\Core\Selection\Conditions;
use Jactonic\Core\Selection\SelectionCommands;

/** Writes docs/reference.md out of the catalogue and the keymap. It is made, not kept: it cannot say anything else than they do. */
final class Reference extends Command
{
    protected $signature = 'jactonic:reference';

    protected $description = 'Write the reference page of edits, selections and keys';

    public function handle(): int
    {
        file_put_contents(base_path('docs/reference.md'), self::page());
        $this->line('docs/reference.md is written.');

        return self::SUCCESS;
    }

    public static function page(): string
    {
        $lines = ['# Reference', '', 'Written by `php artisan jactonic:reference` out of the catalogue.', '', '## Edits', ''];
        $group = null;
        foreach (Catalogue::specs() as $spec) {
            if ($spec->family !== $group) {
                $group = $spec->family;
                array_push($lines, '### '.ucfirst($group->value), '');
            }
            array_push($lines, ...self::edit($spec));
        }
        array_push($lines, '## What the interface does besides', '', '| command | | |', '|---|---|---|');
        foreach (InterfaceCommands::all() as $command) {
            $lines[] = sprintf('| `%s` | %s | %s |', $command->spec->id, $command->spec->title, $command->spec->about);
        }
        $lines[] = '';
        array_push($lines, '## Selecting', '', '`{"select": …}` selects other notes; nothing changes.', '', '| move | |', '|---|---|');
        foreach (SelectionCommands::ids() as $id) {
            $lines[] = sprintf('| `%s` | %s |', $id, SelectionCommands::spec($id)->title);
        }
        array_push($lines, '', '## Picks', '', '`{"pick": {…}}` finds notes that meet every condition named.', '', '| condition | takes |', '|---|---|');
        foreach (Conditions::allowed() as $name => $takes) {
            $lines[] = "| `$name` | $takes |";
        }
        array_push($lines, '', ...self::settings(), ...self::readings());
        array_push($lines, '## Keys', '', '`Mod` is Ctrl, or Cmd on a Mac. Two strokes are pressed one after the other.', '');
        foreach (['roll' => 'In the roll', 'song' => 'On the song page', 'songs' => 'In the list of songs', 'any' => 'Everywhere'] as $context => $title) {
            array_push($lines, "### $title", '', '| keys | does | command |', '|---|---|---|');
            foreach (Defaults::keymap()->toArray() as $binding) {
                if ($binding['context'] === $context) {
                    $params = (array) $binding['params'];
                    $lines[] = sprintf('| %s | %s | `%s%s` |', implode(' ', array_map(static fn (string $k): string => "`$k`", explode(' ', $binding['keys']))),
                        $binding['label'], $binding['command'], $params === [] ? '' : ' '.json_encode($params, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES));
                }
            }
            $lines[] = '';
        }

        return implode("\n", $lines);
    }

    /** @return list<string> */
    private static function settings(): array
    {
        $lines = ['## Settings of a part', '', '`{"set": {…}}` sets them.', '', '| setting | takes | at first |', '|---|---|---|'];
        foreach (Settings::all() as $setting) {
            $lines[] = sprintf('| `%s` | %s%s | `%s` |', $setting->name, str_replace('|', '\|', $setting->allowed), $setting->nullable ? ', or null' : '', json_encode($setting->default, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES));
        }

        return [...$lines, ''];
    }

    /** @return list<string> */
    private static function readings(): array
    {
        $lines = ['## Readings', '', 'They look, and change nothing. What each answers stands in [openapi.json](openapi.json), under `ReadingAnswers`.', ''];
        foreach (Readings::classes() as $class) {
            array_push($lines, ...self::described($class::spec()));
        }

        return $lines;
    }

    /** @return list<string> */
    private static function edit(Spec $spec): array
    {
        $example = json_encode(['edit' => $spec->id] + (($spec->examples[0] ?? []) === [] ? [] : ['params' => $spec->examples[0]]), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);

        return self::described($spec, "For example `$example`.");
    }

    /** @return list<string> */
    private static function described(Spec $spec, string $example = ''): array
    {
        $lines = ["#### `$spec->id`", '', "$spec->title. $spec->about", '', ...($example === '' ? [] : [$example, ''])];
        if ($spec->params === []) {
            return $lines;
        }
        array_push($lines, '| parameter | | allowed | left out |', '|---|---|---|---|');
        foreach ($spec->params as $param) {
            $lines[] = sprintf('| `%s` | %s | %s | %s |', $param->name, $param->title, str_replace('|', '\|', $param->allowed()), self::leftOut($param));
        }

        return [...$lines, ''];
    }

    private static function leftOut(Param $param): string
    {
        $default = $param->default === null ? null : '`'.trim(Refusal::show($param->toArray()['default'] ?? $param->default), '"').'`';

        return match (true) {
            $param->setting !== null => 'the part’s'.($default === null ? '' : ", else $default"),
            $default !== null => $default,
            $param->optional => 'nothing',
            default => 'must be given',
        };
    }
}
