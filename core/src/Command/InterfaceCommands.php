<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\How;
use Jactonic\Core\Selection\SelectionCommands;

/**
 * What the interface does besides edits, as data: so that the command list, the shortcuts and their checks know it. How
 * it is done is the interface's own.
 */
final class InterfaceCommands
{
    private const ROLL = ['roll'];

    private const OPEN = ['song', 'roll'];

    private const ANY = ['any'];

    /** @return list<Command> */
    public static function all(): array
    {
        // What has forms is asked for in one of them.
        return array_map(static fn (Command $c): Command => new Command($c->spec, $c->contexts, $c->forms, $c->forms !== [] && $c->spec->id !== 'set'), [...self::choosing(), ...self::writing(), ...self::playing(), ...self::settings(), ...self::again(), ...self::view(), ...self::transport(), ...self::recording(), ...self::songs(), ...self::program(), ...HarmonyCommands::all(), ...SeeingCommands::all(), ...FilterCommands::all()]);
    }

    /** @return list<Command> */
    private static function choosing(): array
    {
        $moves = array_map(static fn (string $id): array => SelectionCommands::spec($id)->form($id), SelectionCommands::ids());

        return [
            new Command(new Spec('select', 'Select notes', Family::Selection, 'Selects notes; nothing changes.', [
                Param::choice('move', 'Which', SelectionCommands::ids(), 'all'),
                Param::choice('how', 'How', array_column(How::cases(), 'value'), 'instead'),
            ], Requires::Part, ['choose', 'pick', 'mark', 'notes']), self::ROLL, $moves),
            new Command(new Spec('escape', 'Cancel, deselect', Family::Selection, 'Cancels what is under way, closes a panel, or deselects.', needs: Requires::Nothing, words: ['cancel', 'deselect', 'close', 'stop']), self::ANY),
            new Command(new Spec('insert-at', 'Insert a note', Family::Structure, 'Inserts a note at the pointer, or at the caret, which moves to the next cell.', [
                Param::choice('at', 'Where', ['caret', 'pointer'], 'caret'),
                Param::integer('touch', 'Touch', 1, 4, optional: true),
            ], Requires::Part, ['add', 'write', 'draw', 'step', 'new']), self::ROLL, [
                ['title' => 'Insert a note at the caret', 'params' => []],
                ['title' => 'Insert a note at the pointer', 'params' => ['at' => 'pointer']],
                ...array_map(static fn (int $n): array => ['title' => "Insert a note at the caret with touch $n", 'params' => ['touch' => $n], 'words' => ['velocity']], [1, 2, 3, 4]),
                ...array_map(static fn (int $n): array => ['title' => "Insert a note at the pointer with touch $n", 'params' => ['at' => 'pointer', 'touch' => $n], 'words' => ['velocity']], [1, 2, 3, 4]),
            ]),
            new Command(new Spec('note-here', 'The note at the caret', Family::Selection, 'Selects or deletes the note at the caret.', [
                Param::choice('what', 'What', ['choose', 'add', 'delete'], 'choose'),
                Param::choice('at', 'Where', ['caret', 'pointer'], 'caret'),
            ], Requires::Part, ['caret', 'erase', 'here']), self::ROLL, [
                ['title' => 'Select the note at the caret', 'params' => ['what' => 'choose']],
                ['title' => 'Add the note at the caret to the selection, or remove it', 'params' => ['what' => 'add'], 'words' => ['also', 'too', 'more', 'several']],
                ['title' => 'Delete the note at the caret', 'params' => ['what' => 'delete']],
                ['title' => 'Delete the note under the pointer', 'params' => ['what' => 'delete', 'at' => 'pointer'], 'words' => ['erase']],
            ]),
            new Command(new Spec('place-and-next', 'Move to the caret, then to the next note', Family::Timing, 'Moves the notes to the caret; the caret goes to the next note.', needs: Requires::Notes, words: ['caret', 'send', 'align', 'move']), self::ROLL),
        ];
    }

    /** @return list<Command> */
    private static function writing(): array
    {
        $to = ['first-note' => 'the first note', 'part-end' => 'the part’s end', 'next-note' => 'the next note', 'previous-note' => 'the previous note', 'pitch-up' => 'the next higher used pitch', 'pitch-down' => 'the next lower used pitch', 'next-line' => 'the next line', 'previous-line' => 'the previous line', 'next-bar' => 'a bar later', 'previous-bar' => 'a bar earlier', 'next-marker' => 'the next marker', 'previous-marker' => 'the previous marker'];
        $span = ['start' => 'Span from the caret', 'end' => 'Span to the caret', 'selection' => 'Span around what is selected', 'bars' => 'Span of whole bars', 'clear' => 'No span'];

        return [
            new Command(new Spec('tool', 'Pen or eraser', Family::Structure, 'Picks up the pen or the eraser, or puts it down: with the pen a click writes, with the eraser it deletes.', [
                Param::choice('tool', 'Which', ['pen', 'eraser'], 'pen'),
            ], Requires::Part, ['draw', 'pencil', 'erase', 'mouse', 'write']), self::OPEN, [
                ['title' => 'Pen on, off', 'params' => ['tool' => 'pen'], 'words' => ['draw', 'pencil', 'write']],
                ['title' => 'Eraser on, off', 'params' => ['tool' => 'eraser'], 'words' => ['erase', 'delete']],
            ]),
            new Command(new Spec('caret', 'Caret to', Family::View, 'Moves the caret to a note, the part’s end, a line or another used row. The selection stays.', [
                Param::choice('to', 'Where', array_keys($to), 'next-note'),
            ], Requires::Part, ['cursor', 'go', 'jump']), self::OPEN, array_map(static fn (string $k, string $t): array => ['title' => "Caret to $t", 'params' => ['to' => $k]], array_keys($to), $to)),
            new Command(new Spec('pass', 'Select what the caret passes', Family::Selection, 'Moves the caret to the start or the end and selects everything on the way.', [
                Param::choice('to', 'Where', ['start', 'end'], 'end'),
            ], Requires::Part, ['select', 'rest', 'all after', 'all before']), self::ROLL, [
                ['title' => 'Select all from the caret on', 'params' => ['to' => 'end'], 'words' => ['after', 'rest', 'end']],
                ['title' => 'Select all before the caret', 'params' => ['to' => 'start'], 'words' => ['start']],
            ]),
            new Command(new Spec('copy', 'Copy', Family::Structure, 'Copies the selected notes, or with none selected the notes in the span.', [Param::flag('span', 'Only what lies in the span')], Requires::Part, ['clipboard']), self::OPEN, [
                ['title' => 'Copy the selected', 'params' => []],
                ['title' => 'Copy the selected in the span, cut at its edges', 'params' => ['span' => true]],
            ]),
            new Command(new Spec('cut', 'Cut', Family::Structure, 'Copies the notes, then deletes them.', [Param::flag('span', 'Only what lies in the span')], Requires::Part, ['clipboard', 'move']), self::OPEN, [
                ['title' => 'Cut the selected', 'params' => []],
                ['title' => 'Cut the selected in the span, at its edges', 'params' => ['span' => true]],
            ]),
            new Command(new Spec('paste', 'Paste', Family::Structure, 'Pastes the copied notes at the caret or in the same place: in this part, another part or another song. The caret moves to their end.', [
                Param::choice('where', 'Where', ['caret', 'place'], 'caret'),
            ], Requires::Part, ['clipboard', 'insert']), self::OPEN, [
                ['title' => 'Paste at the caret', 'params' => []],
                ['title' => 'Paste in the same place', 'params' => ['where' => 'place'], 'words' => ['original', 'another part', 'another song']],
            ]),
            new Command(new Spec('span', 'Span', Family::Selection, 'Sets the span: a stretch of time to loop, record in, copy or see.', [
                Param::choice('what', 'How', array_keys($span), 'selection'),
            ], Requires::Part, ['range', 'locators', 'loop', 'region', 'time']), self::OPEN, array_map(static fn (string $k, string $t): array => ['title' => $t, 'params' => ['what' => $k]], array_keys($span), $span)),
        ];
    }

    /** @return list<Command> */
    private static function playing(): array
    {
        return [
            new Command(new Spec('step-input', 'Step input on, off', Family::Recording, 'Writes what you play at the caret, which moves on.', needs: Requires::Part, words: ['step', 'write', 'keyboard', 'enter']), self::ROLL),
            new Command(new Spec('step', 'Step input: rest, tie, back', Family::Recording, 'Writes a rest or a tie in step input, or goes back a step.', [
                Param::choice('what', 'What', ['rest', 'tie', 'back'], 'rest'),
            ], Requires::Part, ['step input']), self::ROLL, [
                ['title' => 'Step: a rest', 'params' => ['what' => 'rest'], 'words' => ['skip', 'pause']],
                ['title' => 'Step: tie the last on', 'params' => ['what' => 'tie'], 'words' => ['longer', 'hold']],
                ['title' => 'Step: back', 'params' => ['what' => 'back'], 'words' => ['undo', 'last']],
            ]),
            new Command(new Spec('keyboard', 'Computer keys play', Family::Recording, 'Plays notes with two rows of the computer keyboard, or gives the keys back to commands.', needs: Requires::Part, words: ['typing', 'piano', 'virtual', 'musical', 'qwerty']), self::ROLL),
            new Command(new Spec('keyboard-set', 'Octave and touch of the computer keys', Family::Recording, 'Moves the computer keys an octave up or down, or sets their touch.', [
                Param::integer('octave', 'Octaves up', -8, 8, optional: true),
                Param::integer('touch', 'Touch', 1, 4, optional: true),
            ], Requires::Part, ['velocity', 'transpose']), self::ROLL, [
                ['title' => 'Computer keys an octave up', 'params' => ['octave' => 1]],
                ['title' => 'Computer keys an octave down', 'params' => ['octave' => -1]],
                ...array_map(static fn (int $n): array => ['title' => "Computer keys with touch $n", 'params' => ['touch' => $n]], [1, 2, 3, 4]),
            ]),
            new Command(new Spec('player', 'Simulated player', Family::Recording, 'Lets the simulated player play its passage into the open part, or stops it.', needs: Requires::Part, words: ['demo', 'test', 'simulate', 'passage']), self::ROLL),
        ];
    }

    /** @return list<Command> */
    private static function recording(): array
    {
        return [
            new Command(new Spec('record', 'Record, stop', Family::Recording, 'Records into the open part from the caret, the span’s start or the playhead, or ends the take.', needs: Requires::Part, words: ['take', 'capture']), self::ROLL),
            new Command(new Spec('arm', 'Arm, disarm', Family::Recording, 'Arms the part: recording begins when you play.', needs: Requires::Part, words: ['record', 'ready', 'enable']), self::ROLL),
            new Command(new Spec('take-back', 'Delete the last round', Family::Recording, 'Deletes what was recorded in the last round of a loop, or the whole take.', needs: Requires::Part, words: ['undo', 'take', 'delete', 'loop']), self::ROLL),
            new Command(new Spec('take', 'Keep or discard an interrupted take', Family::Recording, 'Keeps an interrupted take, or discards it.', [
                Param::choice('what', 'What', ['keep', 'drop'], 'keep'),
            ], Requires::Song, ['restore', 'recover', 'crash', 'lost']), self::OPEN, [
                ['title' => 'Keep the interrupted take', 'params' => ['what' => 'keep'], 'words' => ['restore', 'recover']],
                ['title' => 'Discard the interrupted take', 'params' => ['what' => 'drop'], 'words' => ['discard']],
            ]),
            new Command(new Spec('metronome', 'Metronome on, off', Family::Recording, 'Clicks on each beat while the song plays or records.', needs: Requires::Song, words: ['click', 'beat']), self::OPEN),
            new Command(new Spec('count-in', 'Next count-in', Family::Recording, 'Switches the count-in: off, 1 or 2 bars.', needs: Requires::Song, words: ['precount', 'bars']), self::OPEN),
            new Command(new Spec('record-set', 'How it records', Family::Recording, 'Switches a recording setting.', [
                Param::choice('what', 'What', ['mode', 'timing', 'punch', 'into'], 'mode'),
            ], Requires::Part, ['record']), self::ROLL, [
                ['title' => 'Overdub or replace', 'params' => ['what' => 'mode'], 'words' => ['record', 'layer']],
                ['title' => 'Input quantize on, off', 'params' => ['what' => 'timing'], 'words' => ['quantize as it is recorded', 'record']],
                ['title' => 'Record only within the span, or anywhere', 'params' => ['what' => 'punch'], 'words' => ['punch', 'drop in']],
                ['title' => 'Record into this part or a new one', 'params' => ['what' => 'into'], 'words' => ['take', 'layer']],
            ]),
            new Command(new Spec('tune-latency', 'Tune the latency by tapping along', Family::Recording, 'Plays clicks to tap along with; the median of sixteen taps becomes the latency of this device.', needs: Requires::Song, words: ['delay', 'late', 'calibrate', 'offset', 'recording']), self::OPEN),
            new Command(new Spec('ask-inputs', 'Look for MIDI keyboards', Family::Recording, 'Asks the browser for the MIDI keyboards that are plugged in.', needs: Requires::Part, words: ['device', 'midi', 'controller', 'permission']), self::ROLL),
            new Command(new Spec('tap', 'Tap the tempo', Family::Transport, 'Press once a quarter: the tempo follows from the second press on.', needs: Requires::Song, words: ['bpm', 'beat']), self::OPEN),
        ];
    }

    /** @return list<Command> */
    private static function settings(): array
    {
        $grids = array_map(static fn (string $g): array => ['title' => "Grid $g", 'params' => ['grid' => $g], 'words' => ['value', 'quantize', 'snap']],
            ['1/1', '1/2', '1/4', '1/8', '1/16', '1/32', '1/64', '1/128', '1/8T', '1/16T', 'bar', '2bar', '4bar']);
        $turns = [['triplet', 'Triplet on, off', ['triplets']], ['dotted', 'Dotted on, off', []], ['tuplet', 'Next tuplet', ['quintuplet', 'septuplet']], ['finer', 'Finer grid', ['half', 'smaller']], ['coarser', 'Coarser grid', ['double', 'larger']]];
        $steps = [['1 ms', ['unit' => 'ms', 'amount' => 1]], ['5 ms', ['unit' => 'ms', 'amount' => 5]], ['10 ms', ['unit' => 'ms', 'amount' => 10]], ['20 ms', ['unit' => 'ms', 'amount' => 20]],
            ['1/64', ['unit' => 'value', 'amount' => '1/64']], ['1/32', ['unit' => 'value', 'amount' => '1/32']], ['1 tick', ['unit' => 'ticks', 'amount' => 1]], ['1 sample', ['unit' => 'samples', 'amount' => 1]], ['1 bar', ['unit' => 'bar', 'amount' => 1]]];

        return [
            new Command(new Spec('share-settings', 'This grid for all parts', Family::Settings, 'Gives all parts of the song this part’s grid, swing, strength and nudge step.', needs: Requires::Part, words: ['grid', 'swing', 'same', 'every part', 'apply']), self::ROLL),
            new Command(new Spec('set', 'Part settings', Family::Settings, 'Sets the part’s grid, swing, strength, nudge step or pen.', [
                Param::grid('grid', 'Grid'),
                Param::number('swing', 'Swing', 50, 75, unit: '%'),
                Param::integer('strength', 'Strength', 0, 100, unit: '%'),
                Param::integer('penVelocity', 'Pen velocity', 1, 127),
                Param::step('nudge', 'Nudge step'),
                Param::scale('scale', 'Scale'),
            ], Requires::Part, ['grid', 'setting']), self::OPEN, [
                ...$grids,
                ...array_map(static fn (array $t): array => ['title' => $t[1], 'params' => ['turn' => $t[0]], 'words' => ['grid', ...$t[2]]], $turns),
                ['title' => 'Swing on, off', 'params' => ['swing' => 'toggle'], 'words' => ['shuffle', 'groove']],
                ['title' => 'More swing', 'params' => ['swingBy' => 1], 'words' => ['shuffle']],
                ['title' => 'Less swing', 'params' => ['swingBy' => -1], 'words' => ['shuffle', 'straight']],
                ['title' => 'Scale lock on, off', 'params' => ['held' => 'toggle'], 'words' => ['key', 'diatonic', 'lock']],
                ['title' => 'No scale', 'params' => ['scale' => null], 'words' => ['key', 'chromatic', 'off']],
                ['title' => 'Straight', 'params' => ['swing' => 50], 'words' => ['swing', 'off']],
                ...array_map(static fn (int $s): array => ['title' => "Strength $s %", 'params' => ['strength' => $s], 'words' => ['quantize', 'amount']], [25, 50, 75, 100]),
                ...array_map(static fn (array $s): array => ['title' => "Nudge step $s[0]", 'params' => ['nudge' => $s[1]], 'words' => ['move', 'amount']], $steps),
                ['title' => 'Pen velocity as the note last touched', 'params' => ['velocityFrom' => 'toggle'], 'words' => ['follow', 'new notes']],
                ['title' => 'Pen length as the note last touched', 'params' => ['lengthFrom' => 'toggle'], 'words' => ['follow', 'new notes']],
                ...array_map(static fn (int $n): array => ['title' => "Pen velocity of touch $n", 'params' => ['touch' => $n], 'words' => ['velocity', 'new notes']], [1, 2, 3, 4]),
                ['title' => 'Finer nudge step', 'params' => ['nudgeTurn' => 'finer'], 'words' => ['fine', 'smaller', 'move']],
                ['title' => 'Wider nudge step', 'params' => ['nudgeTurn' => 'wider'], 'words' => ['coarser', 'larger', 'move']],
                ['title' => 'Nudge step = grid', 'params' => ['tied' => 'toggle'], 'words' => ['move', 'link']],
                ['title' => 'Controllers move with notes', 'params' => ['lanes' => 'toggle'], 'words' => ['controllers', 'automation']],
            ]),
        ];
    }

    /** @return list<Command> */
    private static function again(): array
    {
        $panels = [];
        $again = [];
        foreach (Catalogue::specs() as $spec) {
            if (! $spec->hasPanel() || $spec->panel !== 'edit') {
                continue;
            }
            $panels[] = ['title' => "$spec->title: settings", 'params' => ['edit' => $spec->id], 'words' => [...$spec->words, 'panel']];
            $again[] = ['title' => "$spec->title, with the last settings", 'params' => ['edit' => $spec->id], 'words' => [...$spec->words, 'repeat', 'panel']];
        }

        return [
            new Command(new Spec('panel', 'Open a panel', Family::View, 'Opens or closes a panel.', [
                Param::text('edit', 'Settings of the edit', ''),
                Param::text('name', 'Panel', ''),
            ], Requires::Part, ['settings', 'options']), self::OPEN, [
                ['title' => 'Grid reading', 'params' => ['name' => 'reading'], 'words' => ['detect', 'analyse', 'which grid', 'swing']],
                ['title' => 'Grooves', 'params' => ['name' => 'groove'], 'words' => ['groove', 'feel', 'template', 'extract']],
                ['title' => 'Pen settings', 'params' => ['name' => 'pen'], 'words' => ['touches', 'new notes', 'velocity', 'length']],
                ['title' => 'Nudge settings', 'params' => ['name' => 'nudge'], 'words' => ['step', 'amount']],
                ['title' => 'Recording settings', 'params' => ['name' => 'recording'], 'words' => ['count-in', 'metronome', 'latency', 'punch', 'overdub', 'replace']],
                ['title' => 'Inputs', 'params' => ['name' => 'input'], 'words' => ['midi', 'keyboard', 'device', 'player', 'controller']],
                ['title' => 'Tempo and meter', 'params' => ['name' => 'tempo'], 'words' => ['bpm', 'time signature', 'changes']],
                ['title' => 'Scale and likely scales', 'params' => ['name' => 'scale'], 'words' => ['key', 'mode', 'detect', 'reading', 'major', 'minor']],
                ['title' => 'Check: possible problems', 'params' => ['name' => 'repairs'], 'words' => ['mend', 'fix', 'clean', 'faults', 'duplicates', 'doubled', 'wrong notes', 'check']],
                ['title' => 'Rows: names and order', 'params' => ['name' => 'rows'], 'words' => ['drums', 'rename', 'map', 'names']],
                ['title' => 'Other parts: which', 'params' => ['name' => 'underlay'], 'words' => ['ghost', 'behind', 'pick']],
                ['title' => 'The playing as a picture', 'params' => ['name' => 'playing'], 'words' => ['timing', 'dots', 'early', 'late', 'plot']],
                ['title' => 'Sound of the track', 'params' => ['name' => 'sound'], 'words' => ['instrument', 'program', 'patch', 'kit', 'preset']],
                ['title' => 'Drills: fix the demo’s problems with few keys', 'params' => ['name' => 'drills'], 'words' => ['learn', 'practice', 'exercise', 'tutorial', 'help']],
                ['title' => 'Articulations of the track', 'params' => ['name' => 'articulations'], 'words' => ['pizzicato', 'key switch', 'set', 'playing styles']],
                ['title' => 'The shelf: phrases kept for every song', 'params' => ['name' => 'shelf'], 'words' => ['library', 'clips', 'ideas', 'put in', 'loops']],
                ['title' => 'Keep what is selected on the shelf', 'params' => ['name' => 'shelve'], 'words' => ['library', 'save phrase', 'idea']],
                ['title' => 'Lanes: which', 'params' => ['name' => 'lanes'], 'words' => ['controllers', 'cc', 'automation', 'add']],
                ['title' => 'Saved selections', 'params' => ['name' => 'choices'], 'words' => ['keep', 'selection', 'named', 'recall']],
                ['title' => 'Recipes', 'params' => ['name' => 'recipes'], 'words' => ['macro', 'chain', 'custom', 'own command']],
                ...$panels,
            ]),
            new Command(new Spec('again', 'Repeat with the last settings', Family::Timing, 'Runs an edit again with the last settings of its panel.', [
                Param::text('edit', 'Edit'),
                Param::flag('reseed', 'With a new seed'),
                Param::flag('instead', 'Instead of the last'),
            ], Requires::Notes), self::OPEN, [
                ...$again,
                ['title' => 'Humanize with a new seed', 'params' => ['edit' => 'humanize', 'reseed' => true], 'words' => ['random', 'loosen']],
                ['title' => 'Humanize: another random result', 'params' => ['edit' => 'humanize', 'reseed' => true, 'instead' => true], 'words' => ['random', 'another seed']],
            ]),
            new Command(new Spec('landing', 'Preview an edit', Family::View, 'Shows where the edit would put the notes, while the key is held.', [
                Param::text('edit', 'Edit', 'quantize'),
            ], Requires::Part, ['preview', 'hold']), self::ROLL),
            new Command(new Spec('compare', 'Compare with before', Family::View, 'Shows the part as it was, while the key is held.', [
                Param::choice('to', 'With', ['before', 'played'], 'before'),
            ], Requires::Part, ['hold', 'before', 'original']), self::ROLL, [
                ['title' => 'Compare with before the last step', 'params' => ['to' => 'before'], 'words' => ['hold', 'undo']],
                ['title' => 'Compare with as it was played', 'params' => ['to' => 'played'], 'words' => ['hold', 'original']],
            ]),
            new Command(new Spec('recipe', 'Run a recipe', Family::Recipe, 'Runs a recipe: notes by a condition, then a chain of edits.', [
                Param::text('recipe', 'Recipe'),
            ], Requires::Part, ['macro', 'chain']), self::OPEN),
            new Command(new Spec('record-recipe', 'Record a recipe', Family::Recipe, 'Records what you do; pressed again, opens it as a recipe.', needs: Requires::Part, words: ['macro', 'record', 'learn']), self::ROLL),
            new Command(new Spec('repeat-command', 'Repeat the last command', Family::Recipe, 'Runs one of the last three commands again, on what is selected now.', [
                Param::integer('back', 'How far back', 1, 3, 1),
            ], Requires::Part, ['again', 'redo', 'same']), self::OPEN, [
                ['title' => 'Repeat the last command', 'params' => [], 'words' => ['again', 'same']],
                ['title' => 'Repeat the command before the last', 'params' => ['back' => 2], 'words' => ['again', 'second']],
                ['title' => 'Repeat the third last command', 'params' => ['back' => 3], 'words' => ['again', 'third']],
            ]),
            new Command(new Spec('count', 'Count', Family::Recipe, 'Runs the next command as many times as the number that you type, as one step.', needs: Requires::Part, words: ['times', 'number', 'repeat']), self::OPEN),
        ];
    }

    /** @return list<Command> */
    private static function view(): array
    {
        return [
            new Command(new Spec('zoom', 'Zoom', Family::View, 'Zooms time in or out, or makes rows taller or smaller.', [
                Param::choice('axis', 'What', ['time', 'pitch'], 'time'),
                Param::integer('by', 'Steps, below 0 for out', -10, 10, 1),
            ], Requires::Part, ['magnify', 'scale']), self::OPEN, [
                ['title' => 'Zoom in', 'params' => ['axis' => 'time', 'by' => 1]],
                ['title' => 'Zoom out', 'params' => ['axis' => 'time', 'by' => -1]],
                ['title' => 'Taller rows', 'params' => ['axis' => 'pitch', 'by' => 1], 'words' => ['zoom', 'vertical']],
                ['title' => 'Smaller rows', 'params' => ['axis' => 'pitch', 'by' => -1], 'words' => ['zoom', 'vertical']],
            ]),
            new Command(new Spec('fit', 'See all', Family::View, 'Shows the whole part, or the selected notes, as large as it goes.', [
                Param::choice('what', 'What', ['all', 'selection', 'span', 'last'], 'all'),
            ], Requires::Part, ['zoom', 'fit', 'whole']), self::OPEN, [
                ['title' => 'See the whole part', 'params' => ['what' => 'all'], 'words' => ['fit', 'whole song', 'zoom']],
                ['title' => 'See what is selected', 'params' => ['what' => 'selection'], 'words' => ['zoom', 'fit']],
                ['title' => 'See the span', 'params' => ['what' => 'span'], 'words' => ['zoom', 'fit']],
                ['title' => 'See the view before', 'params' => ['what' => 'last'], 'words' => ['zoom', 'back', 'last']],
            ]),
            new Command(new Spec('scroll', 'Scroll', Family::View, 'Moves the view.', [
                Param::integer('x', 'Later', -10, 10, 0), Param::integer('y', 'Up', -10, 10, 0),
            ], Requires::Part), self::OPEN, [
                ['title' => 'Scroll later', 'params' => ['x' => 1]], ['title' => 'Scroll earlier', 'params' => ['x' => -1]],
                ['title' => 'Scroll up', 'params' => ['y' => 1]], ['title' => 'Scroll down', 'params' => ['y' => -1]],
            ]),
            new Command(new Spec('lane', 'Next lane, or the velocities', Family::View, 'Moves to the next lane below the notes, and from the last lane back to the notes. Without lanes, it shows or hides the velocities.', needs: Requires::Part, words: ['velocity', 'stems', 'hide', 'lanes', 'focus']), self::ROLL),
            new Command(new Spec('played-places', 'Where notes were played', Family::View, 'Shows or hides, behind each moved note, where it was played.', needs: Requires::Part, words: ['drift', 'ghost', 'original']), self::ROLL),
            new Command(new Spec('steps', 'History', Family::View, 'Lists everything that was done; you can go back to any step.', needs: Requires::Song, words: ['undo', 'history', 'list', 'back']), self::OPEN),
        ];
    }

    /** @return list<Command> */
    private static function transport(): array
    {
        return [
            new Command(new Spec('play', 'Play, stop', Family::Transport, 'Plays from where the playhead stands, or stops.', needs: Requires::Song, words: ['start', 'pause', 'listen']), self::OPEN),
            new Command(new Spec('play-from', 'Play from here', Family::Transport, 'Plays from the first note selected, or from the caret.', needs: Requires::Part, words: ['start', 'selection', 'caret']), self::OPEN),
            new Command(new Spec('locate', 'Go to', Family::Transport, 'Moves the playhead to the start or the end.', [
                Param::choice('to', 'Where', ['start', 'end'], 'start'),
            ], Requires::Song, ['return', 'rewind', 'playhead']), self::OPEN, [
                ['title' => 'Go to the start', 'params' => ['to' => 'start'], 'words' => ['rewind', 'home', 'zero']],
                ['title' => 'Go to the end', 'params' => ['to' => 'end']],
            ]),
            new Command(new Spec('loop', 'Loop on, off', Family::Transport, 'Turns the loop on or off.', needs: Requires::Song, words: ['cycle', 'repeat', 'round']), self::OPEN),
            new Command(new Spec('play-span', 'Play the span, looped', Family::Transport, 'Plays the span in a loop.', needs: Requires::Part, words: ['loop', 'cycle', 'range']), self::OPEN),
            new Command(new Spec('stop-returns', 'Stop: return or stay', Family::Transport, 'Returns the playhead to where it started when you stop, or leaves it.', needs: Requires::Song, words: ['rewind', 'playhead']), self::OPEN),
            new Command(new Spec('loop-selection', 'Loop what is selected', Family::Transport, 'Loops the bars of the selected notes.', needs: Requires::Notes, words: ['cycle', 'bars']), self::ROLL),
            new Command(new Spec('hear', 'Hear notes when touched', Family::Transport, 'Plays notes as you select and move them, or not.', needs: Requires::Song, words: ['audition', 'preview', 'sound', 'silent']), self::OPEN),
            new Command(new Spec('track', 'Mute or solo the track', Family::Transport, 'Mutes or solos the track.', [
                Param::choice('what', 'What', ['muted', 'soloed'], 'muted'),
            ], Requires::Song, ['silence']), self::OPEN, [
                ['title' => 'Mute the track', 'params' => ['what' => 'muted'], 'words' => ['silence', 'unmute']],
                ['title' => 'Solo the track', 'params' => ['what' => 'soloed'], 'words' => ['alone', 'unsolo']],
            ]),
        ];
    }

    /** @return list<Command> */
    private static function songs(): array
    {
        return [
            new Command(new Spec('undo', 'Undo', Family::Song, 'Undoes the last step.', needs: Requires::Song, words: ['back', 'revert']), self::OPEN),
            new Command(new Spec('redo', 'Redo', Family::Song, 'Redoes the step that was undone.', needs: Requires::Song, words: ['again', 'forward']), self::OPEN),
            new Command(new Spec('export', 'Save as a MIDI file', Family::Song, 'Saves the song as a .mid file.', needs: Requires::Nothing, words: ['export', 'download', 'midi', 'file']), self::ANY),
            new Command(new Spec('export-whole', 'Save the song with its history', Family::Song, 'Saves the song with its history as a file that can be imported on another machine.', needs: Requires::Nothing, words: ['export', 'move', 'other computer', 'archive', 'file']), self::ANY),
            new Command(new Spec('import', 'Import a MIDI file', Family::Song, 'Imports a .mid file as a new song.', needs: Requires::Nothing, words: ['open', 'load', 'upload', 'midi', 'file']), ['songs']),
            new Command(new Spec('new-song', 'New song', Family::Song, 'Creates an empty song and opens its part.', needs: Requires::Nothing, words: ['create', 'empty', 'start']), ['songs']),
            new Command(new Spec('choose', 'Select a song or a part', Family::Song, 'Goes to the next song, track or part.', [
                Param::integer('x', 'Later', -1, 1, 0), Param::integer('y', 'Down', -1, 1, 0), Param::flag('take', 'Add to the selection'),
            ], Requires::Nothing), ['songs', 'song'], [
                self::form('Next', ['y' => 1]), self::form('Previous', ['y' => -1]), self::form('Next part', ['x' => 1]), self::form('Previous part', ['x' => -1]),
            ]),
            new Command(new Spec('choose-parts', 'Select several parts', Family::Selection, 'Selects all parts, or all of the track; edits then work on all of them.', [
                Param::choice('which', 'Which', ['all', 'track', 'others', 'span'], 'all'),
            ], Requires::Song, ['parts', 'every', 'tracks']), ['song'], [
                ['title' => 'Select all parts', 'params' => ['which' => 'all']],
                ['title' => 'Select all parts of the track', 'params' => ['which' => 'track'], 'words' => ['row']],
                ['title' => 'Invert the selection of parts', 'params' => ['which' => 'others'], 'words' => ['invert', 'inverse']],
                ['title' => 'Select the parts in the span', 'params' => ['which' => 'span'], 'words' => ['range']],
            ]),
            new Command(new Spec('roll-under', 'The roll under the tracks', Family::View, 'Opens the selected part in a roll under the tracks, in time with them, or closes it.', needs: Requires::Song, words: ['split', 'both', 'editor', 'below', 'beside the others']), ['song', 'roll']),
            new Command(new Spec('open-part', 'Open the part', Family::Song, 'Opens the selected part in the roll.', needs: Requires::Song, words: ['edit', 'roll']), ['song']),
            new Command(new Spec('open-song', 'To the song', Family::Song, 'Shows the tracks and parts of the song.', needs: Requires::Nothing, words: ['timeline', 'tracks', 'parts', 'back']), ['songs', 'roll', 'keys']),
            new Command(new Spec('open-songs', 'All songs', Family::Song, 'Shows the list of songs.', needs: Requires::Nothing, words: ['list', 'home', 'close']), self::ANY),
            new Command(new Spec('go-part', 'Next or previous part', Family::Song, 'Opens the part after this one or before it, with the view and the caret’s time as they are.', [
                Param::integer('by', 'Parts on', -1, 1, 1),
            ], Requires::Part, ['switch', 'other', 'beside']), self::ROLL, [
                ['title' => 'Next part', 'params' => ['by' => 1], 'words' => ['switch', 'open']],
                ['title' => 'Previous part', 'params' => ['by' => -1], 'words' => ['switch', 'open']],
            ]),
            new Command(new Spec('rename', 'Rename the song', Family::Song, 'Renames the song.', needs: Requires::Nothing, words: ['name', 'title']), ['songs', 'song']),
            new Command(new Spec('duplicate', 'Duplicate the song', Family::Song, 'Copies the song, without its history.', needs: Requires::Nothing, words: ['copy']), ['songs']),
            new Command(new Spec('delete-song', 'Delete the song', Family::Song, 'Deletes the song; you can restore it.', needs: Requires::Nothing, words: ['remove', 'trash']), ['songs']),
            new Command(new Spec('undelete', 'Restore the song', Family::Song, 'Restores the song deleted last.', needs: Requires::Nothing, words: ['restore', 'undo']), ['songs']),
        ];
    }

    /** @return list<Command> */
    private static function program(): array
    {
        return [
            new Command(new Spec('reach', 'Go to anything that is seen', Family::Program, 'Shows two letters on each note, part, button and field while the key is held. Type them to go there.', needs: Requires::Nothing, words: ['jump', 'letters', 'hints', 'focus', 'without mouse']), self::ANY),
            new Command(new Spec('commands', 'All commands', Family::Program, 'Finds any command by a word, runs it, or gives it a key.', needs: Requires::Nothing, words: ['find', 'search', 'list', 'help', 'menu']), self::ANY),
            new Command(new Spec('shortcuts', 'Shortcuts', Family::Program, 'Shows the keyboard and every shortcut, to be changed.', needs: Requires::Nothing, words: ['keys', 'keyboard', 'bind', 'hotkeys', 'keymap']), self::ANY),
            new Command(new Spec('sheet', 'Sheet of shortcuts', Family::Program, 'Shows all shortcuts on a page to be printed.', needs: Requires::Nothing, words: ['print', 'cheat', 'keys']), self::ANY),
            new Command(new Spec('pace', 'Key tips', Family::Program, 'Lists the commands you run without their keys.', needs: Requires::Nothing, words: ['statistics', 'usage', 'learn', 'speed']), self::ANY),
            new Command(new Spec('backups', 'Backup and deleted songs', Family::Program, 'Lists the backups and the deleted songs, to restore or remove them.', needs: Requires::Nothing, words: ['backup', 'restore', 'copy', 'trash', 'bin', 'safety']), self::ANY),
            new Command(new Spec('backup', 'Back up everything now', Family::Program, 'Copies all songs with their histories, shelf, recipes, shortcuts, grooves and settings into one file.', needs: Requires::Nothing, words: ['backup', 'copy', 'safety', 'save all']), self::ANY),
            new Command(new Spec('strip', 'Key strip', Family::Program, 'Shows the key strip in three rows, two, one or none.', needs: Requires::Nothing, words: ['keys', 'help', 'hide', 'size']), self::ANY),
            new Command(new Spec('theme', 'Light or dark', Family::Program, 'Switches between light and dark.', needs: Requires::Nothing, words: ['night', 'day', 'colours', 'appearance']), self::ANY),
        ];
    }

    /**
     * @param  array<string, mixed>  $params
     * @return array{title: string, params: array<string, mixed>}
     */
    private static function form(string $title, array $params): array
    {
        return ['title' => $title, 'params' => $params];
    }
}
