<?php

declare(strict_types=1);

// Headers of every answer, pages and plain files alike: nothing may be loaded from elsewhere, and nobody else may load
// from here.
return [
    'Content-Security-Policy' => "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; style-src-attr 'unsafe-inline'; "
        ."img-src 'self' data:; font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self'; "
        ."base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
    'X-Content-Type-Options' => 'nosniff',
    'Referrer-Policy' => 'no-referrer',
    'Cross-Origin-Opener-Policy' => 'same-origin',
    'Cross-Origin-Resource-Policy' => 'same-origin',
];
