<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Jactonic</title>
    <link rel="icon" type="image/svg+xml" href="/icon.svg">
    @vite(['resources/css/app.css', 'resources/js/main.ts'])
</head>
<body>
    <div id="app"></div>
    <noscript>Jactonic needs JavaScript; please switch it on for this address.</noscript>
</body>
</html>
