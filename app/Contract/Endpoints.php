<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Shape;

/** All that can be asked of the server: a route is a line here, and one in routes/web.php; a test holds the two together. */
final class Endpoints
{
    /** @return list<Endpoint> */
    public static function all(): array
    {
        return [...self::songs(), ...self::edits(), ...self::library(), ...self::keys()];
    }

    /** @return list<Endpoint> */
    private static function songs(): array
    {
        $name = Shape::named(...);
        $one = Shape::object(['song' => $name('SongSummary')]);

        return [
            new Endpoint('GET alive', 'Answers at once and does nothing.', status: 204),
            new Endpoint('GET setup', 'What the interface needs to know before it shows anything.', $name('Setup')),
            new Endpoint('GET drills', 'The drills of the demo song.', Shape::list($name('Drill'))),
            new Endpoint('POST typed', 'What a typed line may mean as a command.', $name('TypedRead'), Shape::object(['line' => Shape::text(), 'context' => Shape::text()], ['song' => Shape::nullable(Shape::whole(1))])),
            new Endpoint('GET doing/{key}', 'How far a request is that takes long.', Shape::object(['steps' => Shape::nullable(Shape::whole(0))])),
            new Endpoint('DELETE doing/{key}', 'Stops it; it is answered then.', status: 202),
            new Endpoint('GET songs', 'The songs.', Shape::object(['songs' => Shape::list($name('SongSummary'))])),
            new Endpoint('POST imports', 'Imports a MIDI file, or a song with its history.', Shape::object(['song' => $name('SongSummary'), 'warnings' => Shape::list(Shape::text())]), status: 201, isUpload: true),
            new Endpoint('POST songs', 'A new song of one track.', Shape::object(['song' => $name('SongSummary'), 'part' => Shape::whole(1)]), Shape::object([], ['name' => Shape::text(), 'program' => Shape::whole(0, 127)]), 201),
            new Endpoint('GET songs/{song}', 'The whole song; with `brief` what is in its parts comes as columns.', $name('SongData'), query: ['brief']),
            new Endpoint('PATCH songs/{song}', 'Renames it.', $one, Shape::object(['name' => Shape::text()])),
            new Endpoint('DELETE songs/{song}', 'Puts it among the deleted songs.', status: 204),
            new Endpoint('POST songs/{song}/restore', 'Brings a deleted song back.', $one),
            new Endpoint('POST songs/{song}/duplicate', 'A copy of it.', $one, status: 201),
            new Endpoint('GET songs/{song}/file', 'As a MIDI file.', query: ['key'], file: 'audio/midi'),
            new Endpoint('GET songs/{song}/presence', 'How it stands, and which other windows are open on it.', $name('Presence'), query: ['window', 'part', 'tick', 'gone']),
            new Endpoint('GET songs/{song}/whole', 'With its history, as a file.', file: 'application/gzip'),
            new Endpoint('GET deleted-songs', 'The deleted songs.', Shape::object(['songs' => Shape::list($name('DeletedSong'))])),
            new Endpoint('DELETE deleted-songs/{song}', 'Removes a deleted song for good.', status: 204),
            new Endpoint('GET songs/{song}/changes', 'What changed after the revision `since`.', $name('CatchUp'), query: ['since']),
            new Endpoint('PATCH songs/{song}/tracks/{track}', 'Mutes or solos a track, or names its rows.', Shape::object([
                'revision' => Shape::whole(0), 'track' => Shape::object(['id' => Shape::whole(1), 'name' => Shape::text(), 'muted' => Shape::flag(), 'soloed' => Shape::flag(), 'rows' => $name('RowSet')]),
            ]), Shape::object([], ['muted' => Shape::flag(), 'soloed' => Shape::flag(), 'rows' => $name('RowSet')])),
        ];
    }

    /** @return list<Endpoint> */
    private static function edits(): array
    {
        $name = Shape::named(...);
        $answer = $name('Answer');
        $base = ['base' => Shape::told('The revision that it was made on.', Shape::whole(0))];
        $common = ['key' => Shape::told('By which the very request is known when it is sent again.', Shape::nullable(Shape::text())), 'brief' => Shape::flag()];
        $on = Shape::nullable(Shape::either($name('On'), Shape::list($name('On'))));
        $groove = $name('KeptGroove');

        return [
            new Endpoint('POST songs/{song}/edits', 'Runs commands.', $answer, Shape::object($base + ['do' => Shape::list($name('Command'))], $common + ['on' => $on, 'context' => $name('Context'), 'as' => Shape::oneOf(['one', 'steps'])])),
            new Endpoint('POST songs/{song}/landing', 'What commands would do; nothing changes.', $name('LandingAnswer'), Shape::object(['do' => Shape::list($name('Command'))], ['context' => $name('Context'), 'brief' => Shape::flag()])),
            new Endpoint('POST songs/{song}/reading', 'What a reading says; nothing changes. What each answers stands in ReadingAnswers.', Shape::map(Shape::any()), Shape::object(['reading' => $name('ReadingId')], ['on' => $on, 'params' => Shape::nullable(Shape::map(Shape::any())), 'context' => $name('Context')])),
            new Endpoint('GET songs/{song}/before', 'The parts as they were before the last step; nothing changes.', $name('LandingAnswer')),
            new Endpoint('POST songs/{song}/undo', 'Undoes steps.', $answer, Shape::object($base, $common + ['times' => Shape::whole(1, 1000)])),
            new Endpoint('POST songs/{song}/redo', 'Redoes steps.', $answer, Shape::object($base, $common + ['times' => Shape::whole(1, 1000)])),
            new Endpoint('GET songs/{song}/steps', 'A page of the history: the last, or those before `before`; of those only whose sentence has `search` in it.', Shape::object(['head' => Shape::nullable(Shape::whole(1)), 'steps' => Shape::list($name('HistoryStep')), 'more' => Shape::flag(), 'all' => Shape::whole(0)]), query: ['before', 'search']),
            new Endpoint('POST songs/{song}/steps', 'Goes to a step; null is the start.', $answer, Shape::object($base + ['step' => Shape::nullable(Shape::whole(1))], $common)),
            new Endpoint('GET songs/{song}/grooves', 'The grooves of the song, then those on the shelf.', Shape::object(['grooves' => Shape::list($groove)])),
            new Endpoint('POST songs/{song}/grooves', 'Takes a groove from notes, or keeps the one given.', $groove, Shape::object([], ['groove' => Shape::map(Shape::any()), 'on' => $on, 'grid' => Shape::text(), 'name' => Shape::text(), 'shelf' => Shape::flag(), 'as' => Shape::nullable(Shape::oneOf(['both', 'replace']))]), 201),
            new Endpoint('PATCH grooves/{groove}', 'Renames it, or puts the one given in its place.', $groove, Shape::object([], ['name' => Shape::text(), 'groove' => Shape::map(Shape::any())])),
            new Endpoint('DELETE grooves/{groove}', 'Removes it.', status: 204),
            new Endpoint('GET grooves/{groove}/file', 'As a file.', file: 'application/json'),
        ];
    }

    /** @return list<Endpoint> */
    private static function library(): array
    {
        $name = Shape::named(...);
        $copies = $name('Backups');
        $phrase = $name('Phrase');
        $as = ['as' => Shape::nullable(Shape::oneOf(['both', 'replace']))];

        return [
            new Endpoint('GET backups', 'The copies of everything.', $copies),
            new Endpoint('POST backups', 'Makes a copy of everything.', $copies, status: 201),
            new Endpoint('POST backups/restore', 'Puts a copy that is sent in place of what is there.', $copies, isUpload: true),
            new Endpoint('GET backups/{backup}/file', 'A copy as a file.', file: 'application/vnd.sqlite3'),
            new Endpoint('POST backups/{backup}/restore', 'Puts a copy in place of what is there.', $copies),
            new Endpoint('GET recipes', 'The recipes.', $name('Recipes')),
            new Endpoint('POST recipes', 'Keeps a recipe.', $name('RecipeKept'), Shape::object(['recipe' => $name('RecipeInput')]), 201),
            new Endpoint('POST recipes/import', 'Imports recipes.', $name('RecipesImported'), Shape::object(['file' => Shape::any()], $as), 201),
            new Endpoint('POST recipes/fold', 'Steps out of what was done, repeats folded.', Shape::object(['steps' => Shape::list($name('RecipeStep'))]), Shape::object(['steps' => Shape::list(Shape::any())])),
            new Endpoint('GET recipes/file', 'All of them, as a file.', file: 'application/json'),
            new Endpoint('PUT recipes/{recipe}', 'Changes a recipe.', $name('RecipeKept'), Shape::object(['recipe' => $name('RecipeInput')])),
            new Endpoint('DELETE recipes/{recipe}', 'Deletes it, with its shortcuts; it can be restored.', $name('Recipes')),
            new Endpoint('POST recipes/{recipe}/restore', 'Restores it.', $name('Recipes')),
            new Endpoint('GET recipes/{recipe}/file', 'As a file.', file: 'application/json'),
            new Endpoint('POST songs/{song}/shelf', 'Keeps what is selected on the shelf.', $phrase, Shape::object(['on' => Shape::any()], ['name' => Shape::text()]), 201),
            new Endpoint('GET shelf', 'The phrases on the shelf.', Shape::object(['phrases' => Shape::list($phrase)])),
            new Endpoint('POST shelf', 'Imports a MIDI file onto the shelf.', $phrase, status: 201, isUpload: true),
            new Endpoint('GET shelf/{phrase}', 'Its parts, as `part-insert` takes them.', $name('PartClip')),
            new Endpoint('GET shelf/{phrase}/file', 'As a MIDI file.', file: 'audio/midi'),
            new Endpoint('PATCH shelf/{phrase}', 'Renames it.', $phrase, Shape::object(['name' => Shape::text()])),
            new Endpoint('DELETE shelf/{phrase}', 'Deletes it; it can be restored.', status: 204),
            new Endpoint('POST shelf/{phrase}/restore', 'Restores it.', $phrase),
        ];
    }

    /** @return list<Endpoint> */
    private static function keys(): array
    {
        $state = Shape::named('KeyState');
        $place = ['context' => Shape::text(), 'keys' => Shape::text()];

        return [
            new Endpoint('GET key-sets', 'The sets of shortcuts.', $state),
            new Endpoint('POST key-sets', 'A copy of a set (`from`; 0 for the one that ships) under a name, in use at once.', $state, Shape::object(['name' => Shape::text()], ['from' => Shape::whole(0)])),
            new Endpoint('POST key-sets/import', 'Imports a set.', $state, Shape::object(['file' => Shape::any()], ['as' => Shape::nullable(Shape::oneOf(['both', 'replace']))])),
            new Endpoint('POST key-sets/undo', 'Undoes the last change of shortcuts.', $state),
            new Endpoint('POST key-sets/reset', 'Sets one command, or all, back to how they ship.', $state, Shape::object([], ['command' => Shape::text()])),
            new Endpoint('POST keys/check', 'What giving keys to a command would mean.', Shape::named('KeysChecked'), Shape::object($place)),
            new Endpoint('POST keys', 'Gives keys to a command.', $state, Shape::object(['binding' => Shape::map(Shape::any())], ['replace' => Shape::flag(), 'instead' => Shape::nullable(Shape::object($place))])),
            new Endpoint('POST keys/take', 'Removes keys from a command.', $state, Shape::object($place)),
            new Endpoint('PATCH key-sets/{set}', 'Renames a set.', $state, Shape::object(['name' => Shape::text()])),
            new Endpoint('DELETE key-sets/{set}', 'Deletes a set; it can be restored.', $state),
            new Endpoint('POST key-sets/{set}/restore', 'Restores it.', $state),
            new Endpoint('POST key-sets/{set}/use', 'Uses it.', $state),
            new Endpoint('GET key-sets/{set}/file', 'As a file.', file: 'application/json'),
        ];
    }
}
