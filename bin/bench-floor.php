<?php

declare(strict_types=1);

/*
 * The plain PHP floor of an edit: read a part's document, quantize every note, write it, keep it with a full sync.
 * Note by note, as one writes it plainly: no framework, no rules beyond the sum itself. Prints the median in milliseconds: bench-floor.php NOTES
 */

require __DIR__.'/../vendor/autoload.php';

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

$count = (int) ($argv[1] ?? 20_000);
mt_srand(1);
$notes = [];
for ($id = 1; $id <= $count; $id++) {
    $notes[$id] = new Note($id, $id * 60 + mt_rand(-20, 20), mt_rand(30, 200), mt_rand(36, 90), mt_rand(40, 110));
}
$document = Rows::of(Table::notes(), $notes)->bytes();
$file = tempnam(sys_get_temp_dir(), 'floor');
$db = new PDO("sqlite:$file");
$db->exec('PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; CREATE TABLE part (document BLOB)');
$db->prepare('INSERT INTO part VALUES (?)')->execute([$document]);
$times = [];
for ($run = 0; $run < 21; $run++) {
    $begin = hrtime(true);
    $read = $db->query('SELECT document FROM part')->fetchColumn();
    $notes = Rows::read(Table::notes(), (string) $read)->all();
    foreach ($notes as $id => $note) {
        $line = intdiv($note->start + 120, 240) * 240;
        $notes[$id] = $note->with(['start' => $line]);
    }
    $put = json_encode(['id' => array_keys($notes), 'start' => array_column($notes, 'start'), 'until' => array_map(static fn (Note $note): int => $note->start + $note->length, array_values($notes))]);
    $db->prepare('UPDATE part SET document = ?')->execute([Rows::of(Table::notes(), $notes)->bytes()]);
    $times[] = (hrtime(true) - $begin) / 1e6;
}
array_map(unlink(...), glob("$file*") ?: []);
sort($times);
printf("%.2f\n", $times[10]);
