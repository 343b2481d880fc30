<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Score\Settings;
use Jactonic\Core\Shape;

/** Shapes of what does not belong to a song: the catalogue, shortcuts, recipes, grooves, the shelf, backups, problems. */
final class LibraryShapes
{
    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        $name = Shape::named(...);
        $texts = Shape::list(Shape::text());
        $bindings = Shape::list($name('Binding'));
        $recipes = Shape::list($name('RecipeData'));
        $copies = ['where' => Shape::text(), 'copies' => Shape::list($name('BackupCopy'))];

        return [
            'Param' => Shape::told('A parameter, as the catalogue has it.', Shape::object(['name' => Shape::text(), 'title' => Shape::text(), 'type' => Shape::told('The field that shows it.', Shape::text()), 'allowed' => Shape::text()], [
                'hidden' => Shape::told('No field can ask for it.', Shape::flag()), 'unit' => Shape::text(), 'min' => Shape::number(), 'max' => Shape::number(), 'default' => Shape::any(), 'adds' => Shape::flag(), 'optional' => Shape::flag(),
                'setting' => Shape::told('The setting of the part that stands in where it is left out.', Shape::oneOf(array_keys(Settings::all()))), 'choices' => $texts, 'labels' => Shape::told('What each choice is called on the screen.', Shape::map(Shape::text())), 'roots' => $texts, 'kinds' => $texts,
                'blank' => Shape::told('What an empty field means.', Shape::text()),
                'screen' => Shape::told('What is allowed, as the screen says it, where that differs.', Shape::text()),
                'shape' => Shape::told('What is typed of it looks like this: a pattern.', Shape::text()),
            ])),
            'Spec' => Shape::told('A command, as the catalogue has it.', Shape::object([
                'id' => Shape::text(), 'title' => Shape::text(), 'group' => Shape::text(), 'about' => Shape::text(), 'params' => Shape::list($name('Param')), 'needs' => Shape::oneOf(array_column(Requires::cases(), 'value')), 'words' => $texts,
                'takes' => Shape::told('What it works on.', Shape::list(Shape::oneOf(array_column(AppliesTo::cases(), 'value')))), 'keeps' => Shape::told('After it the same things are selected.', Shape::flag()), 'selectsWith' => Shape::told('The flags with which it selects what it makes all the same.', Shape::list(Shape::text())), 'asked' => Shape::told('It can be asked for by itself.', Shape::flag()),
                'panel' => Shape::told('The panel of its settings; empty where there is none.', Shape::text()), 'contexts' => $texts,
                'forms' => Shape::told('The command with parameters given, as people look for it.', Shape::list(Shape::object(['title' => Shape::text(), 'params' => Shape::map(Shape::any())], ['words' => $texts, 'ofPoints' => Shape::told('Its title where it selects points of a lane.', Shape::text())]))),
                'formsOnly' => Shape::told('It makes sense only with parameters given.', Shape::flag()),
            ])),
            'ConditionSpec' => Shape::told('A condition of notes: its words, its field, and what holds at first.', Shape::object([
                'title' => Shape::text(), 'field' => Shape::oneOf(['range', 'beats', 'pitches', 'tones', 'choice', 'number', 'beat', 'yes', 'every', 'span']), 'first' => Shape::any(), 'choices' => Shape::list(Shape::row(Shape::text(), Shape::any())),
            ])),
            'Binding' => Shape::object(['context' => Shape::text(), 'keys' => Shape::text(), 'command' => Shape::text(), 'params' => Shape::map(Shape::any()), 'label' => Shape::text()]),
            'KeyState' => Shape::told('The sets of shortcuts, and the one in use.', Shape::object(['set' => Shape::whole(0), 'name' => Shape::text(), 'sets' => Shape::list(Shape::object(['id' => Shape::whole(0), 'name' => Shape::text()])), 'keymap' => $bindings, 'canUndo' => Shape::flag()])),
            'KeysChecked' => Shape::object(['keys' => Shape::text(), 'lost' => $bindings, 'hidden' => $bindings]),
            'RecipeStep' => Shape::object([], ['edit' => Shape::text(), 'params' => Shape::map(Shape::any()), 'select' => Shape::either(Shape::text(), $name('NoteFilter')), 'how' => Shape::text(), 'set' => Shape::map(Shape::any()), 'recipe' => Shape::text(), 'off' => Shape::flag()]),
            'RecipeData' => Shape::object(['name' => Shape::text(), 'pick' => Shape::nullable($name('NoteFilter')), 'steps' => Shape::list($name('RecipeStep'))], ['kind' => Shape::oneOf(['recipe']), 'key' => Shape::text()]),
            'RecipeInput' => Shape::object(['name' => Shape::text(), 'steps' => Shape::list($name('RecipeStep'))], ['pick' => Shape::nullable($name('NoteFilter')), 'kind' => Shape::oneOf(['recipe']), 'key' => Shape::text()]),
            'Recipes' => Shape::object(['recipes' => $recipes]),
            'RecipeKept' => Shape::object(['recipe' => $name('RecipeData'), 'recipes' => $recipes]),
            'RecipesImported' => Shape::object(['said' => Shape::text(), 'recipes' => $recipes, 'replaced' => $recipes]),
            'KeptGroove' => Shape::object(['id' => Shape::whole(1), 'shelf' => Shape::flag(), 'groove' => $name('Groove')], ['replaced' => $name('Groove')]),
            'Phrase' => Shape::object(['id' => Shape::whole(1), 'name' => Shape::text(), 'notes' => Shape::whole(0), 'bars' => Shape::whole(0), 'tempo' => Shape::number(0), 'sounds' => $texts]),
            'BackupCopy' => Shape::object(['name' => Shape::text(), 'made' => Shape::text(), 'bytes' => Shape::whole(0), 'songs' => Shape::whole(0), 'daily' => Shape::flag()]),
            'Backups' => Shape::object($copies, ['made' => Shape::text(), 'aside' => Shape::told('Where the file that was there is kept.', Shape::text())]),
            'Drill' => Shape::object(['id' => Shape::text(), 'title' => Shape::text(), 'part' => Shape::text(), 'wrong' => Shape::text(), 'goal' => Shape::text(), 'pick' => $name('NoteFilter'), 'keys' => $texts]),
            'TypedRead' => Shape::told('What a line may mean, and where it could not be read on.', Shape::object(['found' => Shape::list(Shape::object(['command' => Shape::text(), 'params' => Shape::map(Shape::any())])), 'stopped' => Shape::text()])),
            'Setup' => Shape::told('What the interface needs to know before it shows anything.', Shape::object([
                'keys' => $name('KeyState'), 'defaults' => Shape::told('The shortcuts that ship.', $bindings), 'commands' => Shape::list($name('Spec')), 'edits' => Shape::told('Ids of the commands that are edits.', $texts), 'recipes' => $recipes,
                'tables' => Shape::object(['note' => $texts, 'point' => $texts]), 'conditions' => Shape::told('What can be asked of notes, by key.', Shape::map($name('ConditionSpec'))),
                'passages' => Shape::told('What the simulated player can play.', Shape::list(Shape::object(['id' => Shape::text(), 'name' => Shape::text()]))), 'ppq' => Shape::told('Ticks to a quarter of a new song.', Shape::whole(1)),
                'programs' => Shape::told('Sounds of General MIDI, by number.', Shape::list(Shape::text(), 128)), 'controllers' => Shape::map(Shape::text()), 'articulations' => Shape::list($name('ArticulationSet')),
                'examples' => Shape::told('Lines that may be typed, by page.', Shape::map($texts)), 'families' => $texts, 'kits' => Shape::map(Shape::text()), 'kept' => Shape::told('Strokes that browsers keep for themselves.', $texts), 'drums' => Shape::map(Shape::text()),
                'importLimit' => Shape::told('Bytes.', Shape::whole(1)), 'songLimit' => Shape::told('Bytes of a song with its history.', Shape::whole(1)),
            ])),
            'Problem' => Shape::told('What went wrong, as RFC 9457 has it.', Shape::object(['type' => Shape::text(), 'title' => Shape::text(), 'status' => Shape::whole(400, 599), 'detail' => Shape::told('A sentence for the person.', Shape::text())], [
                'parameter' => Shape::text(), 'screen' => Shape::told('The same for the screen, where that names no parameter.', Shape::text()), 'catchUp' => $name('CatchUp'), 'done' => Shape::told('The very request was answered before; only the answer was lost.', Shape::flag()), 'answer' => $name('LostAnswer'),
                'taken' => Shape::told('Names that are there already, where it is asked what is to become of them.', $texts), 'exception' => Shape::text(), 'song' => Shape::flag(),
            ])),
        ];
    }
}
