<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Param;
use Jactonic\Core\Edit\Params;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\Move;

/** All commands there are: every edit of the catalogue, and what the interface does besides. */
final class Commands
{
    /** @var array<string, Command>|null */
    private static ?array $all = null;

    /** @return array<string, Command> by id */
    public static function all(): array
    {
        if (self::$all !== null) {
            return self::$all;
        }
        $all = [];
        foreach (Catalogue::specs() as $spec) {
            $all[$spec->id] = new Command($spec, ['roll']);
        }
        foreach (InterfaceCommands::all() as $command) {
            $all[$command->spec->id] = $command;
        }

        return self::$all = $all;
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
        if ($id === 'select' && (! is_string($params['move'] ?? null) || Move::tryFrom($params['move']) === null)) {
            throw Refusal::parameter('move', $params['move'] ?? null, 'one of '.implode(', ', array_map(static fn (Move $m): string => $m->value, Move::cases())));
        }
        if (isset(Catalogue::classes()[$id])) {
            // A place stands for a tick that is known when the key is pressed.
            $params = array_map(static fn (mixed $p): mixed => in_array($p, Binding::PLACES, true) ? 960 : $p, $params);
        }
        $read = Params::read($command->spec, $params);
        foreach ($command->spec->params as $param) {
            if (self::isRequired($param, $command->spec) && ! $read->has($param->name)) {
                throw Refusal::missing($param->name, $param->allowed());
            }
        }
    }

    /** Whether a command cannot be done without this parameter. */
    private static function isRequired(Param $param, Spec $spec): bool
    {
        return ! $param->optional && $param->default === null && $param->setting === null && $spec->id !== 'set';
    }
}
