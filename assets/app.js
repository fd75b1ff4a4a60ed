import Alpine from '@alpinejs/csp';
import { keys, words } from './scripts/keys.js';
import { countdown, gauge, heatClock, photo, reader, rest } from './scripts/check.js';
import { sheet, speaker, stopwatch, strokes } from './scripts/check.js';
import { instruments } from './scripts/instruments.js';
import { intake } from './scripts/intake.js';
import { figures, stepper } from './scripts/stepper.js';
import { pedalLog } from './scripts/pedal.js';
import { drafts } from './scripts/drafts.js';
import { forms } from './scripts/forms.js';
import { gates } from './scripts/gates.js';
import { outbox, sent, serve } from './scripts/outbox.js';
import { label } from './scripts/label.js';
import { wall } from './scripts/wall.js';
import { practice } from './scripts/practice.js';
import { news, waiting } from './scripts/news.js';

Alpine.data('stopwatch', stopwatch);
Alpine.data('sheet', sheet);
Alpine.data('rest', rest);
Alpine.data('speaker', speaker);
Alpine.data('reader', reader);
Alpine.data('strokes', strokes);
Alpine.data('countdown', countdown);
Alpine.data('heatClock', heatClock);
Alpine.data('photo', photo);
Alpine.data('gauge', gauge);
Alpine.data('intake', intake);
Alpine.data('instruments', instruments);
Alpine.data('pedalLog', pedalLog);
Alpine.data('stepper', stepper);
Alpine.data('figures', figures);
Alpine.data('outbox', outbox);
Alpine.data('label', label);
Alpine.data('wall', wall);
Alpine.data('practice', practice);
Alpine.data('news', news);
Alpine.data('waiting', waiting);
Alpine.data('sendOn', () => ({
    init() {
        this.$root.requestSubmit();
    },
}));
Alpine.data('goBack', () => ({
    back() {
        globalThis.history.back();
    },
}));
Alpine.data('printer', () => ({
    print() {
        globalThis.print();
    },
}));
Alpine.start();
keys();
words();
forms();
gates();
drafts();
sent();
serve();

const focus = document.querySelector('[data-focus]');
if (focus) {
    focus.focus({ preventScroll: true });
}
document.documentElement.dataset.ready = 'yes';
