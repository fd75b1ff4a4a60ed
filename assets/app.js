import Alpine from '@alpinejs/csp';
import { keys } from './scripts/keys.js';
import { stopwatch, sheet, speaker, strokes, heatClock, photo, firstLook, gauge } from './scripts/check.js';
import { instruments } from './scripts/instruments.js';
import { intake } from './scripts/intake.js';
import { pedalLog } from './scripts/pedal.js';
import { news, waiting } from './scripts/news.js';

Alpine.data('stopwatch', stopwatch);
Alpine.data('sheet', sheet);
Alpine.data('firstLook', firstLook);
Alpine.data('speaker', speaker);
Alpine.data('strokes', strokes);
Alpine.data('heatClock', heatClock);
Alpine.data('photo', photo);
Alpine.data('gauge', gauge);
Alpine.data('intake', intake);
Alpine.data('instruments', instruments);
Alpine.data('pedalLog', pedalLog);
Alpine.data('news', news);
Alpine.data('waiting', waiting);
Alpine.data('bench', () => ({
    keys: false,
    init() {
        this.$el.addEventListener('show-keys', () => {
            this.keys = !this.keys;
        });
    },
}));
Alpine.data('sendOn', () => ({
    init() {
        this.$root.requestSubmit();
    },
}));
Alpine.data('printer', () => ({
    print() {
        globalThis.print();
    },
}));
Alpine.start();
keys();

const focus = document.querySelector('[data-focus]');
if (focus) {
    focus.focus({ preventScroll: true });
}
document.documentElement.dataset.ready = 'yes';
