<?php

declare(strict_types=1);

/*
 * How often the grid reading is wrong: takes of a simulated person, as core/tests/Support/Takes plays them, of each
 * grid and swing that is to be told apart. Prints the share that it names wrong in percent, of all and of the worst
 * grid: bench-reading.php TAKES
 */

require __DIR__.'/../vendor/autoload.php';

use Jactonic\Core\Reading\GridReading;
use Jactonic\Core\Tests\Support\Takes;

$takes = (int) ($argv[1] ?? 200);
$worst = [0.0, ''];
$wrong = 0;
foreach (Takes::GRIDS as [$grid, $swing]) {
    $missed = 0;
    for ($seed = 1; $seed <= $takes; $seed++) {
        // Other takes than the tests have.
        $missed += Takes::isRight(Takes::read($grid, $swing, 10_000 + $seed)['best'], $grid, $swing) ? 0 : 1;
    }
    $wrong += $missed;
    if ($missed / $takes * 100 >= $worst[0]) {
        $worst = [$missed / $takes * 100, GridReading::name($grid, $swing)];
    }
}
printf("%.2f\t%.2f\t%s\n", $wrong / $takes / count(Takes::GRIDS) * 100, $worst[0], $worst[1]);
