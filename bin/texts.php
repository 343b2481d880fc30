<?php

// Texts of the PHP files under some paths, for bin/texts.mjs: a list of file, line and text; what is put in stands as {…}.

declare(strict_types=1);

$all = [];
foreach (array_slice($argv, 1) as $path) {
    $files = is_file($path) ? [$path] : array_map(strval(...), iterator_to_array(new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator($path)), '/\.php$/'), false));
    sort($files);
    foreach ($files as $file) {
        if (! str_ends_with($file, '.php')) {
            continue;
        }
        $text = null;
        $line = 0;
        foreach (token_get_all((string) file_get_contents($file)) as $token) {
            if ($token === '"') {
                $all = $text === null ? $all : [...$all, [$file, $line, $text]];
                $text = $text === null ? '' : null;
            } elseif ($text !== null) {
                [$id, $part, $line] = is_array($token) ? $token : [0, '', $line];
                $text .= $id === T_ENCAPSED_AND_WHITESPACE ? stripcslashes($part) : ($id === T_VARIABLE ? '{…}' : '');
            } elseif (is_array($token) && $token[0] === T_CONSTANT_ENCAPSED_STRING) {
                $all[] = [$file, $token[2], stripslashes(substr($token[1], 1, -1))];
            }
        }
    }
}
echo json_encode($all, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
