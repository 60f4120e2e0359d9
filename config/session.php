<?php

declare(strict_types=1);

return ['driver' => env('SESSION_DRIVER', 'array')];
