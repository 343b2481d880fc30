<?php

declare(strict_types=1);

/*
 * Router for PHP's own web server: files that exist under public/ are served as they are, all else goes to Laravel.
 * Requests that name another host are refused here too, so that no file answers to a foreign name.
 */

$host = strtolower((string) preg_replace('/:\d+$/', '', (string) ($_SERVER['HTTP_HOST'] ?? '')));
if (! in_array($host, ['127.0.0.1', 'localhost', '[::1]'], true)) {
    http_response_code(421);
    foreach (require __DIR__.'/../bootstrap/headers.php' as $name => $value) {
        header("$name: $value");
    }
    header_remove('X-Powered-By');
    header('Content-Type: text/plain; charset=utf-8');
    echo 'This server answers on this machine only, as 127.0.0.1 or localhost.';

    return true;
}
$public = __DIR__.'/../public';
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
if ($path !== '/' && ! str_contains($path, '..') && ! str_ends_with($path, '.php') && is_file($public.$path)) {
    require __DIR__.'/static.php';
    sendFile($public.$path, str_starts_with($path, '/build/assets/'));

    return true;
}
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
require $public.'/index.php';
