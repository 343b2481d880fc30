<?php

declare(strict_types=1);

const TYPES = [
    'js' => 'text/javascript; charset=utf-8', 'css' => 'text/css; charset=utf-8', 'json' => 'application/json', 'html' => 'text/html; charset=utf-8',
    'svg' => 'image/svg+xml', 'png' => 'image/png', 'ico' => 'image/x-icon', 'woff2' => 'font/woff2', 'wasm' => 'application/wasm',
    'md' => 'text/plain; charset=utf-8', 'txt' => 'text/plain; charset=utf-8',
];

/**
 * Sends a file as the pages are sent: with the same headers, compressed where a compressed copy stands beside it.
 *
 * @param  bool  $forEver  its name says what is in it: it is asked for once
 */
function sendFile(string $file, bool $forEver): void
{
    foreach (require __DIR__.'/../bootstrap/headers.php' as $name => $value) {
        header("$name: $value");
    }
    header_remove('X-Powered-By');
    header('Content-Type: '.(TYPES[strtolower(pathinfo($file, PATHINFO_EXTENSION))] ?? 'application/octet-stream'));
    header('Cache-Control: '.($forEver ? 'public, max-age=31536000, immutable' : 'no-cache'));
    header('Vary: Accept-Encoding');
    $small = "$file.gz";
    if (is_file($small) && filemtime($small) >= filemtime($file) && str_contains((string) ($_SERVER['HTTP_ACCEPT_ENCODING'] ?? ''), 'gzip')) {
        header('Content-Encoding: gzip');
        $file = $small;
    }
    $mark = sprintf('"%x-%x"', filemtime($file), filesize($file));
    header("ETag: $mark");
    if (($_SERVER['HTTP_IF_NONE_MATCH'] ?? '') === $mark) {
        http_response_code(304);

        return;
    }
    header('Content-Length: '.filesize($file));
    if ($_SERVER['REQUEST_METHOD'] !== 'HEAD') {
        readfile($file);
    }
}
