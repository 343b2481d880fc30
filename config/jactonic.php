<?php

declare(strict_types=1);

return [
    // The largest file that can be imported, in bytes.
    'import_limit' => 16 * 1024 * 1024,
    // The largest song with its history, packed.
    'song_limit' => 64 * 1024 * 1024,
];
