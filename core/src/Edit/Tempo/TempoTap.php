<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Coalescing;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/**
 * Sets the tempo that holds at a place to the one that was tapped, a tap a quarter: the mean of the last eight
 * distances. A pause of more than two seconds begins anew. Taps that go on are one step of the history.
 */
final class TempoTap implements Coalescing, Edit
{
    private const PAUSE = 2.0;

    private const COUNTED = 8;

    public static function spec(): Spec
    {
        return new Spec('tempo-tap', 'Tap the tempo', Family::Song, 'Sets the tempo to the one that was tapped.', [
            Param::times('taps', 'Taps'),
            Param::place('at', 'The one at', default: 0),
        ], Requires::Song, ['bpm', 'beat'], asked: false, examples: [['taps' => [0, 0.6, 1.2]], ['taps' => [0, 9, 9.5, 10.02, 10.5], 'at' => 7000]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $micro = self::micro($input->params->times('taps'));
        if ($micro === null) {
            return TimelineEdit::outcome($input, null, null, '');
        }
        $rows = TimelineEdit::tempos($input);
        $held = TimelineEdit::holding($rows, $input->params->integer('at'));
        if ($held === null) {
            $rows[] = [0, $micro, 0, 0];
        } else {
            $rows[$held] = [$rows[$held][0], $micro, $rows[$held][2], $rows[$held][3]];
        }

        return TimelineEdit::outcome($input, $rows, null, self::words($micro), self::words($micro));
    }

    public static function joined(array $last, array $next): ?array
    {
        $first = static fn (array $p): mixed => is_array($p['taps'] ?? null) ? $p['taps'][0] ?? null : null;

        return $first($last) === $first($next) && ($last['at'] ?? 0) === ($next['at'] ?? 0) ? $next : null;
    }

    public static function sentence(Change $change, array $params): string
    {
        $taps = is_array($params['taps'] ?? null) ? array_map(static fn (mixed $t): float => is_int($t) || is_float($t) ? (float) $t : 0.0, array_values($params['taps'])) : [];

        return self::words(self::micro($taps) ?? 0);
    }

    private static function words(int $micro): string
    {
        return $micro === 0 ? 'The tempo was tapped.' : sprintf('Tempo %s, tapped.', TimelineEdit::words($micro));
    }

    /**
     * Microseconds a quarter; null where the last pause leaves a single tap.
     *
     * @param  list<float>  $taps  seconds
     */
    private static function micro(array $taps): ?int
    {
        $run = [];
        foreach ($taps as $tap) {
            $run = $run !== [] && $tap - $run[count($run) - 1] > self::PAUSE ? [$tap] : [...$run, $tap];
        }
        $run = array_slice($run, -self::COUNTED - 1);

        // Nobody taps a hundredth.
        return count($run) < 2 ? null : TimelineEdit::micro(max(TimelineEdit::SLOWEST, min(TimelineEdit::FASTEST, round(60 * (count($run) - 1) / ($run[count($run) - 1] - $run[0]), 1))));
    }
}
