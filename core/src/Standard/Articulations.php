<?php

declare(strict_types=1);

namespace Jactonic\Core\Standard;

/** Sets of articulations for the programs of General MIDI. */
final class Articulations
{
    public const SETS = [
        ['name' => 'Strings', 'articulations' => [
            ['id' => 'long', 'name' => 'Long', 'mark' => 'lg', 'do' => [['program' => 48]]],
            ['id' => 'plucked', 'name' => 'Plucked', 'mark' => 'pz', 'do' => [['program' => 45]]],
            ['id' => 'tremolo', 'name' => 'Tremolo', 'mark' => 'tr', 'do' => [['program' => 44]]],
            ['id' => 'short', 'name' => 'Short', 'mark' => '·', 'do' => [['program' => 48]], 'length' => 40, 'velocity' => 110],
            ['id' => 'slow', 'name' => 'Slow', 'mark' => 'sl', 'do' => [['program' => 49]]],
        ]],
        ['name' => 'Solo strings', 'articulations' => [
            ['id' => 'violin', 'name' => 'Violin', 'mark' => 'vn', 'do' => [['program' => 40]]],
            ['id' => 'viola', 'name' => 'Viola', 'mark' => 'va', 'do' => [['program' => 41]]],
            ['id' => 'cello', 'name' => 'Cello', 'mark' => 'vc', 'do' => [['program' => 42]]],
            ['id' => 'plucked', 'name' => 'Plucked', 'mark' => 'pz', 'do' => [['program' => 45]]],
        ]],
        ['name' => 'Guitar', 'articulations' => [
            ['id' => 'open', 'name' => 'Open', 'mark' => 'op', 'do' => [['program' => 27]]],
            ['id' => 'muted', 'name' => 'Muted', 'mark' => 'mu', 'do' => [['program' => 28]]],
            ['id' => 'harmonics', 'name' => 'Harmonics', 'mark' => 'ha', 'do' => [['program' => 31]]],
            ['id' => 'overdriven', 'name' => 'Overdriven', 'mark' => 'od', 'do' => [['program' => 29]]],
        ]],
        ['name' => 'Bass', 'articulations' => [
            ['id' => 'finger', 'name' => 'Finger', 'mark' => 'fi', 'do' => [['program' => 33]]],
            ['id' => 'pick', 'name' => 'Pick', 'mark' => 'pk', 'do' => [['program' => 34]]],
            ['id' => 'slap', 'name' => 'Slap', 'mark' => 'sp', 'do' => [['program' => 36]]],
            ['id' => 'fretless', 'name' => 'Fretless', 'mark' => 'fl', 'do' => [['program' => 35]]],
        ]],
        ['name' => 'Trumpet', 'articulations' => [
            ['id' => 'open', 'name' => 'Open', 'mark' => 'op', 'do' => [['program' => 56]]],
            ['id' => 'muted', 'name' => 'Muted', 'mark' => 'mu', 'do' => [['program' => 59]]],
            ['id' => 'short', 'name' => 'Short', 'mark' => '·', 'do' => [['program' => 56]], 'length' => 40, 'velocity' => 110],
        ]],
        ['name' => 'Brass', 'articulations' => [
            ['id' => 'section', 'name' => 'Section', 'mark' => 'se', 'do' => [['program' => 61]]],
            ['id' => 'horn', 'name' => 'Horn', 'mark' => 'hn', 'do' => [['program' => 60]]],
            ['id' => 'short', 'name' => 'Short', 'mark' => '·', 'do' => [['program' => 61]], 'length' => 40, 'velocity' => 115],
        ]],
        ['name' => 'Choir', 'articulations' => [
            ['id' => 'aahs', 'name' => 'Aahs', 'mark' => 'aa', 'do' => [['program' => 52]]],
            ['id' => 'oohs', 'name' => 'Oohs', 'mark' => 'oo', 'do' => [['program' => 53]]],
        ]],
    ];
}
