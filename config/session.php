<?php

return ['driver' => env('SESSION_DRIVER', 'array')];
