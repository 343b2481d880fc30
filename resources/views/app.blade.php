<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Jactonic</title>
    <link rel="icon" type="image/svg+xml" href="/icon.svg">
    @vite(array_values(array_filter(['resources/css/app.css', 'resources/js/main.ts', $page ?? null])))
    {{-- What the page asks for first comes beside its script, not after it. --}}
    <link rel="preload" as="fetch" href="/api/setup" crossorigin>
    @if (request()->route('song'))
        <link rel="preload" as="fetch" href="/api/songs/{{ request()->route('song') }}?brief=1" crossorigin>
    @endif
</head>
<body>
    <div id="app"></div>
    <noscript>Jactonic needs JavaScript; please switch it on for this address.</noscript>
</body>
</html>
