<?php

declare(strict_types=1);

return ['default' => env('LOG_CHANNEL', 'single')];
