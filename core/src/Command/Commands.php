<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\How;

/** All commands there are: every edit of the catalogue, and what the interface does besides. */
final class Commands
{
    /** @var array<string, Command>|null */
    private static ?array $all = null;

    /** @var array<string, string>|null the present ids by former ones */
    private static ?array $former = null;

    /** @return array<string, Command> by id */
    public static function all(): array
    {
        if (self::$all !== null) {
            return self::$all;
        }
        $all = [];
        foreach (Catalogue::specs() as $spec) {
            // What works on notes works on all that sound in the selected parts on the song page.
            $contexts = $spec->needs === Requires::Notes && $spec->takes(AppliesTo::Notes) && $spec->contexts === ['roll'] ? ['roll', 'song'] : $spec->contexts;
            $all[$spec->id] = new Command($spec, $contexts, $spec->forms);
        }
        foreach (InterfaceCommands::all() as $command) {
            $all[$command->spec->id] = $command;
        }

        return self::$all = $all;
    }

    /** The id that a command has now, by any that it had; what no command was ever called is given back. */
    public static function current(string $id): string
    {
        if (isset(self::all()[$id])) {
            return $id;
        }
        self::$former ??= Spec::former(array_map(static fn (Command $c): Spec => $c->spec, self::all()));

        return self::$former[$id] ?? $id;
    }

    /** @throws Refusal when there is no such command */
    public static function find(string $id): Command
    {
        return self::all()[$id] ?? throw new Refusal(sprintf('There is no command “%s”.', Refusal::show($id)), 'command');
    }

    /**
     * Checks the parameters of a shortcut for a command.
     *
     * @param  array<array-key, mixed>  $params
     *
     * @throws Refusal that names what is wrong
     */
    public static function check(string $id, array $params): void
    {
        $command = self::find($id);
        if ($id === 'set') {
            PartSettings::fresh()->changed($params);

            return;
        }
        if ($id === 'select') {
            How::check($params['move'] ?? null, $params['how'] ?? null, 'move');
        }
        Params::check($command->spec->params, $params, $id);
    }
}
