<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Compact;
use App\Keys\KeySets;
use App\Models\Recipe as Kept;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jactonic\Core\Command\Command;
use Jactonic\Core\Command\Commands;
use Jactonic\Core\Command\Typed;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Keymap\Defaults;
use Jactonic\Core\Keymap\Stroke;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Recording\Passage;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Selection\Conditions;
use Jactonic\Core\Standard\Articulations;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\Timeline;

/** What the interface needs to know before it shows anything: the shortcuts, the catalogue, names, limits. */
final class SetupController
{
    public function __invoke(Request $request): Response
    {
        return Compact::answer($request, [
            'keys' => KeySets::now(),
            'defaults' => Defaults::keymap()->toArray(),
            'commands' => array_map(static fn (Command $c): array => $c->toArray(), array_values(Commands::all())),
            'edits' => array_keys(Catalogue::classes()),
            'recipes' => array_map(static fn (Recipe $r): array => $r->toArray(), array_values(Kept::book()->recipes)),
            'tables' => ['note' => [...Table::notes()->shown, 'until'], 'point' => [...Table::points()->shown, 'heard']],
            'conditions' => Conditions::toArray(),
            'passages' => array_map(static fn (Passage $p): array => ['id' => $p->id, 'name' => $p->name], Passage::all()),
            'ppq' => Timeline::PPQ,
            'programs' => GeneralMidi::PROGRAMS,
            'controllers' => (object) GeneralMidi::CONTROLLERS,
            'articulations' => array_map(static fn (array $set): array => ArticulationSet::read($set)->toArray(), Articulations::SETS),
            'examples' => Typed::EXAMPLES,
            'families' => GeneralMidi::FAMILIES,
            'kits' => GeneralMidi::KITS,
            'kept' => Stroke::KEPT,
            'drums' => GeneralMidi::DRUMS,
            'importLimit' => config('jactonic.import_limit'),
            'songLimit' => config('jactonic.song_limit'),
        ]);
    }
}
