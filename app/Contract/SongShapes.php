<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Score\Column;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Setting;
use Jactonic\Core\Score\Settings;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Shape;
use Jactonic\Core\Time\Step;

/** Shapes of songs, tracks and parts, as SongView tells them. */
final class SongShapes
{
    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        $name = Shape::named(...);
        $bytes = Shape::row(Shape::whole(), Shape::whole(), Shape::whole(), Shape::whole());
        $head = ['id' => Shape::whole(1), 'name' => Shape::text(), 'revision' => Shape::whole(0), 'canUndo' => Shape::flag(), 'canRedo' => Shape::flag()];
        $bend = ['bendRange' => Shape::told('Cents that a bend reaches in it.', Shape::whole(1))];
        $part = self::partHead() + self::belongsToPart() + self::sounds() + $bend;
        $contents = ['notes' => Shape::either(Shape::list($name('NoteRow')), $name('NoteColumns')), 'points' => Shape::either(Shape::list($name('PointRow')), $name('PointColumns'))];
        $track = self::track();
        $scale = ['scale' => Shape::nullable($name('ScaleData')), 'tones' => Shape::told('Names of the twelve tones from C, as its key spells them.', Shape::list(Shape::text(), 12))];
        $lines = Shape::told('Itself, or the name of a table that parts share.', Shape::either($name('LinesData'), Shape::text()));

        return [
            'Ids' => Shape::told('Of ids that follow one another a pair of the first and the last stands.', Shape::list(Shape::either(Shape::whole(1), Shape::row(Shape::whole(1), Shape::whole(1))))),
            'Step' => Step::shape(),
            'Settings' => Shape::object(array_map(static fn (Setting $s): array => $s->shape(), Settings::all())),
            'LinesData' => Shape::told('The lines of a grid, as runs of bars that are alike: where a run begins, the index of its first bar, how many ticks it takes to come round and how often it does, and its bars: the offset of each and the pattern it follows.', Shape::object([
                'runs' => Shape::list(Shape::row(Shape::whole(), Shape::whole(), Shape::whole(), Shape::whole(), Shape::list(Shape::row(Shape::whole(), Shape::whole())))),
                'patterns' => Shape::list(Shape::list(Shape::number())),
            ])),
            'Pen' => Shape::told('How long the pen writes: in ticks, or in bars.', Shape::either(Shape::object(['ticks' => Shape::whole(1)]), Shape::object(['bars' => Shape::whole(1)]))),
            'Plays' => Shape::object([
                'words' => Shape::text(), 'transpose' => Shape::told('Semitones.', Shape::whole(-PlaysAs::TRANSPOSE, PlaysAs::TRANSPOSE)), 'velocity' => Shape::told('Percent.', Shape::whole(PlaysAs::SOFTEST, PlaysAs::LOUDEST)),
                'delay' => Shape::told('Milliseconds.', Shape::whole(-PlaysAs::DELAY, PlaysAs::DELAY)), 'until' => Shape::told('The tick up to which it loops; 0 where it does not.', Shape::whole()),
            ]),
            'PartHead' => Shape::object(self::partHead()),
            'SoundsData' => Shape::object(self::sounds()),
            'NoteRow' => Shape::told('A value for each shown column of a note, and `until`: the tick up to which it sounds, 0 where it does not.', self::row(Table::notes(), 'until', Shape::whole(0))),
            'PointRow' => Shape::told('A value for each column of a point, and `heard`.', self::row(Table::points(), 'heard', Shape::whole(0, 1))),
            'NoteColumns' => self::columns(Table::notes(), 'until'),
            'PointColumns' => self::columns(Table::points(), 'heard'),
            'ChangedNotes' => self::changed(Table::notes(), 'until'),
            'ChangedPoints' => self::changed(Table::points(), 'heard'),
            'PartData' => Shape::object($part + $contents + ['lines' => $lines]),
            'RowSet' => Shape::object(['names' => Shape::told('By pitch.', Shape::map(Shape::text())), 'order' => Shape::told('Pitches from below.', Shape::list(Shape::whole(0, 127)))]),
            'Articulation' => Shape::object([
                'id' => Shape::text(), 'name' => Shape::text(), 'mark' => Shape::text(),
                'do' => Shape::told('What is sent: {program}, {key}, {cc, value} or {channel}.', Shape::list(Shape::map(Shape::whole(0, 127)))), 'length' => Shape::number(), 'velocity' => Shape::number(),
            ]),
            'ArticulationSet' => Shape::told('The ways in which an instrument is played; the first holds where a note has none.', Shape::object(['name' => Shape::text(), 'articulations' => Shape::list($name('Articulation'))])),
            'SongHead' => Shape::object($head),
            'ScaleData' => Shape::object(['name' => Shape::text(), 'classes' => Shape::told('From C.', Shape::list(Shape::whole(0, 11)))]),
            'TrackHead' => Shape::object($track),
            'TrackData' => Shape::object($track + ['parts' => Shape::list($name('PartData'))]),
            'SongData' => Shape::object($head + [
                'ppq' => Shape::whole(1), 'end' => Shape::told('Where what is drawn ends.', Shape::whole(0)), 'early' => Shape::told('Ticks by which a note may be early for a bar and be meant for it.', Shape::whole(0)),
            ] + $scale + self::maps() + ['tables' => Shape::map($name('LinesData')), 'tracks' => Shape::list($name('TrackData'))]),
            'TimeData' => Shape::told('Tempos, meters and markers, and the lines of every part, which follow them.', Shape::object(self::maps() + [
                'lines' => Shape::told('Which table the lines of a part are.', Shape::map(Shape::text())), 'tables' => Shape::map($name('LinesData')),
                'sounds' => Shape::told('Of parts that are heard at other ticks now.', Shape::map($name('SoundsData'))),
            ])),
            'PartChange' => Shape::told('What changed of a part that is there.', Shape::object([
                'put' => Shape::list($name('NoteRow')), 'drop' => Shape::list(Shape::whole(1)), 'putPoints' => Shape::list($name('PointRow')), 'dropPoints' => Shape::list(Shape::whole(1)),
            ], [
                'changed' => $name('ChangedNotes'), 'changedPoints' => $name('ChangedPoints'), 'head' => $name('PartHead'),
                'shift' => Shape::told('Ticks by which everything in it moved, before what is put.', Shape::whole()), 'lines' => $name('LinesData'),
            ] + self::belongsToPart() + self::sounds() + $bend)),
            'PartAnswer' => Shape::either(Shape::object(['part' => $name('PartData')]), Shape::object(['gone' => Shape::yes()]), $name('PartChange')),
            'CatchUp' => Shape::told('What changed since a revision.', Shape::object($head + $scale + ['parts' => Shape::map($name('PartAnswer')), 'end' => Shape::whole(0)], ['time' => $name('TimeData'), 'tracks' => Shape::list($name('TrackHead'))])),
            'SongSummary' => Shape::object(self::summary()),
            'DeletedSong' => Shape::object(self::summary() + ['deleted' => Shape::text()]),
            'Other' => Shape::told('Another window that is open on the song.', Shape::object(['window' => Shape::text(), 'name' => Shape::text(), 'part' => Shape::nullable(Shape::whole(1)), 'tick' => Shape::whole()])),
            'Presence' => Shape::object(['revision' => Shape::whole(0), 'epoch' => Shape::text(), 'name' => Shape::text(), 'others' => Shape::list($name('Other'))]),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function summary(): array
    {
        return ['id' => Shape::whole(1), 'name' => Shape::text(), 'parts' => Shape::whole(0), 'bars' => Shape::whole(0), 'seconds' => Shape::number(0), 'changed' => Shape::text()];
    }

    /** @return array<string, array<string, mixed>> */
    private static function partHead(): array
    {
        return [
            'id' => Shape::whole(1), 'track' => Shape::whole(1), 'name' => Shape::text(), 'from' => Shape::whole(), 'to' => Shape::told('Null where it has no end.', Shape::nullable(Shape::whole())), 'muted' => Shape::flag(),
            'plays' => Shape::told('Null where it plays what is written.', Shape::nullable(Shape::named('Plays'))),
        ];
    }

    /** @return array<string, array<string, mixed>> a part's settings and what follows from them, without its lines */
    private static function belongsToPart(): array
    {
        return ['settings' => Shape::named('Settings'), 'scale' => Shape::told('The pitch classes of its own scale, from C.', Shape::nullable(Shape::list(Shape::whole(0, 11)))), 'pen' => Shape::named('Pen')];
    }

    /** @return array<string, array<string, mixed>> */
    private static function sounds(): array
    {
        return [
            'sounds' => Shape::told('All that is heard, where it is not what is written: notes as id, start, end, pitch, velocity, channel; points as tick, status, data and a channel of their own.', Shape::nullable(Shape::object(['notes' => Shape::list(Shape::list(Shape::whole())), 'points' => Shape::list(Shape::list(Shape::whole()))]))),
            'letGo' => Shape::told('What releases pedals and bends at its end: tick, status and data.', Shape::list(Shape::list(Shape::whole()))),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function track(): array
    {
        return [
            'id' => Shape::whole(1), 'name' => Shape::text(), 'conductor' => Shape::told('A track of the file without music, kept out of sight.', Shape::flag()), 'muted' => Shape::flag(), 'soloed' => Shape::flag(), 'rows' => Shape::named('RowSet'), 'instrument' => Shape::text(),
            'articulations' => Shape::nullable(Shape::named('ArticulationSet')), 'sound' => Shape::told('Null where nothing in it says.', Shape::nullable(Shape::object(['program' => Shape::whole(0, 127), 'drums' => Shape::flag()]))),
            'volume' => Shape::whole(0, 127), 'pan' => Shape::whole(0, 127),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function maps(): array
    {
        return [
            'plain' => Shape::told('The lines of a grid as it is at first: for a song without parts.', Shape::named('LinesData')), 'tempos' => Shape::told('Tick, seconds, microseconds per quarter.', Shape::list(Shape::row(Shape::whole(), Shape::number(), Shape::number()))),
            'meters' => Shape::told('Tick, beats, unit.', Shape::list(Shape::row(Shape::whole(), Shape::whole(), Shape::whole()))), 'markers' => Shape::told('Tick and name.', Shape::list(Shape::row(Shape::whole(), Shape::text()))),
        ];
    }

    /**
     * @param  Table<covariant \Jactonic\Core\Score\Note|\Jactonic\Core\Score\Point>  $table
     * @param  array<string, mixed>  $shape  of the last column
     * @return array<string, mixed>
     */
    private static function row(Table $table, string $last, array $shape): array
    {
        return Shape::row(...array_map(static fn (string $name): array => self::value($table->columns[$name]), $table->shown), ...[$shape]) + ['x-columns' => [...$table->shown, $last]];
    }

    /**
     * @param  Table<covariant \Jactonic\Core\Score\Note|\Jactonic\Core\Score\Point>  $table
     * @return array<string, mixed> a column that is left out is nought throughout
     */
    private static function columns(Table $table, string $last): array
    {
        $columns = array_map(static fn (string $name): array => Shape::list(self::value($table->columns[$name])), array_combine($table->shown, $table->shown));

        return Shape::object(['id' => Shape::named('Ids')], $columns + [$last => Shape::list(Shape::whole(0))]);
    }

    /**
     * @param  Table<covariant \Jactonic\Core\Score\Note|\Jactonic\Core\Score\Point>  $table
     * @return array<string, mixed> a number is what each has more in a column
     */
    private static function changed(Table $table, string $last): array
    {
        $columns = array_map(static fn (string $name): array => Shape::either(Shape::list(self::value($table->columns[$name])), Shape::whole()), array_combine($table->shown, $table->shown));

        return Shape::object(['id' => Shape::named('Ids')], $columns + [$last => Shape::list(Shape::whole(0))]);
    }

    /** @return array<string, mixed> a value of a column as the interface gets it */
    private static function value(Column $column): array
    {
        return $column->isText() ? Shape::text() : ($column->code === 'e' ? Shape::number() : Shape::whole());
    }
}
