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
    @if (request()->path() === '/')
    <link rel="preload" href="/api/builds" as="fetch" crossorigin>
    <link rel="preload" href="/api/examples" as="fetch" crossorigin>
    @endif
    <link rel="preload" href="{{ Vite::asset('node_modules/@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2') }}" as="font" type="font/woff2" crossorigin>
    <script src="/room.js"></script>
    @viteReactRefresh
    @vite(['resources/css/app.css', 'resources/js/main.tsx'])
</head>
<body>
    <div id="app">
        {{-- The head of every page as it will be, until its program has been read. --}}
        <div class="flex h-12 items-center gap-4 border-b border-line bg-sheet px-4">
            <img src="/favicon.svg" alt="Brookstone" width="22" height="22">
        </div>
    </div>
    <noscript>Brookstone computes on this machine and draws its pages with JavaScript: please allow it.</noscript>
</body>
</html>
