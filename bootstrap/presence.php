<?php

declare(strict_types=1);

use App\Windows\Presence;

/*
 * Answers what every open window asks once or twice a second, before the framework is started: GET /api/songs/{id}/presence.
 * Whoever is not on this machine is left to the framework, which refuses. True where it was answered.
 */
return (static function (): bool {
    $path = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? ''), PHP_URL_PATH);
    $host = strtolower((string) preg_replace('/:\d+$/', '', (string) ($_SERVER['HTTP_HOST'] ?? '')));
    $file = getenv('DB_DATABASE');
    if (preg_match('~^/api/songs/(\d{1,18})/presence$~', $path, $m) !== 1 || ($_SERVER['REQUEST_METHOD'] ?? '') !== 'GET' || ! is_string($file) || $file === '' || ! in_array($host, ['127.0.0.1', 'localhost', '[::1]'], true)) {
        return false;
    }
    try {
        $data = new PDO("sqlite:$file", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_PERSISTENT => true]);
        $answer = (new Presence($data, dirname(__DIR__).'/storage/framework/windows'))->answer((int) $m[1], $_GET);
    } catch (PDOException) {
        return false;
    }
    if ($answer === null) {
        return false;
    }
    foreach (require __DIR__.'/headers.php' as $name => $value) {
        header("$name: $value");
    }
    header_remove('X-Powered-By');
    header('Content-Type: application/json');
    header('Cache-Control: no-store');
    echo json_encode($answer, JSON_THROW_ON_ERROR);

    return true;
})();
