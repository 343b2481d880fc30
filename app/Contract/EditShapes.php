<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Selection\Conditions;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Shape;

/** Shapes of commands, what they work on, and what is answered; one of the parameters of each edit, and of each reading with its answer. */
final class EditShapes
{
    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        $name = Shape::named(...);
        $kept = [
            'selection' => Shape::told('Null where it is what was sent.', Shape::nullable(Shape::list($name('SelectionItem')))), 'said' => Shape::list(Shape::text()), 'warnings' => Shape::list(Shape::text()),
        ];
        $perhaps = [
            'refused' => Shape::list(Shape::object(['item' => Shape::whole(0), 'detail' => Shape::text()], ['screen' => Shape::text()])), 'caret' => Shape::told('Where writing goes on.', Shape::whole()),
            'at' => Shape::told('Tick and pitch to which the caret went with the work.', Shape::row(Shape::whole(), Shape::whole(0, 127))),
            'atTrack' => Shape::told('Track to which the caret went with it, where the track is known.', Shape::whole(1)),
        ];
        $changed = $kept + ['parts' => Shape::map($name('PartAnswer')), 'canUndo' => Shape::flag(), 'canRedo' => Shape::flag()];
        $more = $perhaps + ['missing' => Shape::told('What the last command would have needed, where nothing was done for want of it.', Shape::oneOf(array_column(Requires::cases(), 'value')))] + ['name' => Shape::text(), 'scale' => Shape::nullable($name('ScaleData')), 'tones' => Shape::list(Shape::text(), 12), 'tracks' => Shape::list($name('TrackHead')), 'time' => $name('TimeData')];
        $done = ['revision' => Shape::whole(0), 'end' => Shape::whole(0)];
        $ids = Shape::list(Shape::whole(1));

        return [
            'EditId' => Shape::oneOf(array_keys(Catalogue::classes())),
            'EditParams' => Shape::told('What each edit takes.', Shape::object(array_map(static fn (string $class): array => self::params($class::spec()->params), Catalogue::classes()))),
            'ConditionKey' => Shape::oneOf(array_keys(Conditions::classes())),
            'SelectionCommand' => Shape::oneOf(array_keys(SelectionCommands::classes())),
            'NoteFilter' => Shape::told('Conditions of notes, by key; what each takes stands in the reference.', Shape::map(Shape::any())),
            'SelectionItem' => Shape::either(
                Shape::object(['part' => Shape::whole(1), 'notes' => $name('Ids')]), Shape::object(['part' => Shape::whole(1), 'lane' => Shape::text(), 'points' => $name('Ids')]),
                Shape::object(['parts' => $ids]), Shape::object(['tracks' => $ids]),
            ),
            'On' => Shape::told('What a command works on.', Shape::either(
                Shape::object(['part' => Shape::whole(1), 'notes' => $name('Ids')]), Shape::object(['part' => Shape::whole(1), 'lane' => Shape::text(), 'points' => $name('Ids')]),
                Shape::object(['part' => Shape::whole(1), 'pick' => $name('NoteFilter')], ['lane' => Shape::text()]), Shape::object(['parts' => $name('Ids')]), Shape::object(['tracks' => $name('Ids')]),
            )),
            'Context' => Shape::told('Where a command is asked for: the words for places are made ticks out of it.', Shape::object([], [
                'caret' => Shape::either(Shape::object(['tick' => Shape::whole()], ['pitch' => Shape::whole(0, 127)]), Shape::whole()), 'pointer' => Shape::whole(), 'span' => Shape::row(Shape::whole(), Shape::whole()),
                'track' => Shape::told('The track that the caret stands on, on the song page.', Shape::whole(1)),
            ])),
            'Command' => Shape::told('One of '.implode(', ', array_keys(Batch::KEYS)).', with what belongs to it.', Shape::object([], [
                'edit' => Shape::told('Id of an edit; former ids are read too.', Shape::text()), 'recipe' => Shape::told('Key of a recipe, or one as it is.', Shape::either(Shape::text(), $name('RecipeData'))), 'times' => Shape::told('So many times over, as one step.', Shape::whole(1)),
                'select' => Shape::told('A selection command, or a condition.', Shape::either(Shape::text(), $name('NoteFilter'))), 'how' => Shape::told('How what is found meets what is selected: add, narrow, take; left out it takes its place.', Shape::text()),
                'touched' => Shape::told('A note that was touched by hand.', Shape::whole(1)), 'set' => Shape::map(Shape::any()), 'part' => Shape::whole(1), 'on' => Shape::either($name('On'), Shape::list($name('On'))),
                'params' => Shape::map(Shape::any()), 'context' => $name('Context'), 'more' => Shape::told('Of a key that is held: makes the step before longer instead of a new one.', Shape::flag()),
            ])),
            'Answer' => Shape::object($done + $changed, $more + ['left' => Shape::told('Steps of a way through the history that are still to go.', Shape::whole(1))]),
            'LostAnswer' => Shape::told('What is kept of an answer that was lost: the rest can be caught up with.', Shape::object($kept, $perhaps)),
            'LandingAnswer' => Shape::told('What commands would do: an answer that changed nothing, with ids by part of the notes to look at.', Shape::object($changed, $more + [
                'marks' => Shape::object(['merging' => Shape::map($ids), 'far' => Shape::map($ids)]),
            ])),
            'HistoryStep' => Shape::object(['id' => Shape::whole(1), 'said' => Shape::text(), 'at' => Shape::text(), 'done' => Shape::told('Whether it is on the way to where the song stands.', Shape::flag())]),
            'ReadingId' => Shape::oneOf(array_keys(Readings::classes())),
            'ReadingParams' => Shape::told('What each reading takes.', Shape::object(array_map(static fn (string $class): array => self::params($class::spec()->params), Readings::classes()))),
            'ReadingAnswers' => Shape::told('What each reading answers.', Shape::object(array_map(static fn (string $class): array => $class::answer(), Readings::classes()))),
            'Found' => Shape::told('A possible problem.', Shape::object([
                'kind' => Shape::text(), 'part' => Shape::whole(1), 'tick' => Shape::whole(), 'place' => Shape::text(), 'notes' => $ids, 'said' => Shape::text(), 'mend' => Shape::text(), 'do' => Shape::list($name('Command')),
            ])),
            'Groove' => Shape::object(['name' => Shape::text(), 'grid' => Shape::text(), 'time' => Shape::told('Off the line, in cells.', Shape::list(Shape::nullable(Shape::number(-0.5, 0.5)))), 'velocity' => Shape::list(Shape::nullable(Shape::number(1, 127)))], ['kind' => Shape::oneOf(['groove'])]),
            'PlayedEvent' => Shape::told('Something played, in seconds since a take began.', Shape::either(
                Shape::object(['on' => Shape::number(), 'off' => Shape::number(), 'pitch' => Shape::whole(0, 127), 'velocity' => Shape::whole(1, 127)], ['release' => Shape::whole(0, 127)]),
                Shape::object(['at' => Shape::number(), 'kind' => Shape::oneOf(['controller', 'bend', 'pressure']), 'data' => Shape::list(Shape::whole(0, 127))]),
            )),
            'PartClip' => Shape::told('Parts as they are carried away.', Shape::object(['ppq' => Shape::whole(1), 'parts' => Shape::list(Shape::object([
                'track' => Shape::whole(0), 'name' => Shape::text(), 'from' => Shape::whole(), 'to' => Shape::whole(), 'muted' => Shape::flag(), 'plays' => Shape::list(Shape::whole(), 4), 'settings' => Shape::map(Shape::any()),
                'program' => Shape::whole(0, 127), 'drums' => Shape::flag(), 'notes' => Shape::map(Shape::any()), 'points' => Shape::map(Shape::any()),
            ]))])),
        ];
    }

    /**
     * @param  list<Param>  $params
     * @return array<string, mixed> all of them may be left out: what has to be there is refused in words
     */
    private static function params(array $params): array
    {
        $shapes = [];
        foreach ($params as $param) {
            $limits = $param->toArray();
            $least = is_numeric($limits['min'] ?? null) ? $limits['min'] + 0 : null;
            $most = is_numeric($limits['max'] ?? null) ? $limits['max'] + 0 : null;
            $choices = is_array($limits['choices'] ?? null) ? array_values(array_filter($limits['choices'], is_string(...))) : [];
            $shapes[$param->name] = Shape::told($param->allowed(), match ($param->kind->field()) {
                'integer' => Shape::whole($least === null ? null : (int) $least, $most === null ? null : (int) $most),
                'track', 'part' => Shape::whole(1),
                'number' => Shape::number($least === null ? null : (float) $least, $most === null ? null : (float) $most),
                'choice' => Shape::oneOf($choices),
                'flag' => Shape::flag(),
                'text', 'lane' => Shape::text(),
                default => [],
            });
        }

        return Shape::object([], $shapes);
    }
}
