<?php

return [
    'app' => ['path' => './assets/app.js', 'entrypoint' => true],
    '@alpinejs/csp' => ['path' => './assets/vendor/alpine-csp.esm.min.js'],
];
