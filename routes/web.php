<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// One page; the router in the browser does the rest.
Route::view('/{any?}', 'app')->where('any', '^(?!api/).*$');
