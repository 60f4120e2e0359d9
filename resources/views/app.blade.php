<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="description" content="Sizes, checks and rehearses motorized models before anything is built.">
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    {{-- What the page will ask for first is on its way while its program is being read. --}}
    <link rel="preload" href="/api/units" as="fetch" crossorigin>
    @if (request()->segment(1) === 'builds' && preg_match('/^[0-9a-z]{26}$/D', (string) request()->segment(2)) === 1)
    <link rel="preload" href="/api/builds/{{ request()->segment(2) }}" as="fetch" crossorigin>
    @endif
    <script src="/room.js"></script>
    @viteReactRefresh
    @vite(['resources/css/app.css', 'resources/js/main.tsx'])
</head>
<body>
    <div id="app"></div>
    <noscript>Brookstone computes on this machine and draws its pages with JavaScript: please allow it.</noscript>
</body>
</html>
