<?php

declare(strict_types=1);

return ['default' => 'array', 'stores' => ['array' => ['driver' => 'array', 'serialize' => false]]];
