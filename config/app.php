<?php

declare(strict_types=1);

return [
    'name' => env('APP_NAME', 'Brookstone'),
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8000'),
    'timezone' => 'UTC',
];
