/** A stopwatch on the device's monotonic clock. */
export const stopwatch = () => ({
    running: false,
    start: 0,
    kept: 0,
    face: '0.0',
    timer: 0,
    toggle() {
        if (this.running) {
            this.kept += performance.now() - this.start;
            clearInterval(this.timer);
        } else {
            this.start = performance.now();
            this.timer = setInterval(() => this.show(), 100);
        }
        this.running = !this.running;
        this.show();
    },
    reset() {
        clearInterval(this.timer);
        this.running = false;
        this.kept = 0;
        this.show();
    },
    show() {
        this.face = ((this.kept + (this.running ? performance.now() - this.start : 0)) / 1000).toFixed(1);
    },
});

/** Answers every row below that has no answer yet with what is as it should be, but what is asked by itself. */
const fillBest = (root) => {
    for (const row of root.querySelectorAll('[data-row]:not(:has(input:checked))')) {
        if (!row.closest('[data-alone]')) {
            row.querySelector('input[type=radio]').checked = true;
        }
    }
};

/** What still wants an answer: a row without a word, a figure that nobody typed. */
const firstOpen = (form) =>
    [...form.querySelectorAll('[data-row], .answer-number > [name*=number]')].find((one) =>
        one.matches('input') ? one.value.trim() === '' : !one.querySelector('input:checked'),
    );

/** Records where everything is answered; else it leads to what is not. */
const recordOrAsk = (form) => {
    const open = firstOpen(form);
    if (open) {
        open.scrollIntoView({ block: 'center' });
        (open.matches('input') ? open : open.querySelector('input'))?.focus();
        return;
    }
    form.requestSubmit(form.querySelector('[data-key=enter]'));
};

/** The answers of a check: every row that has none yet is as it should be, in one go. */
export const sheet = () => ({
    best() {
        fillBest(this.$root);
        this.$root.querySelector('[data-key=enter]')?.focus();
    },
    all() {
        fillBest(this.$root);
        recordOrAsk(this.$root.querySelector('form.answers'));
    },
});

/** The same for a whole round. */
export const rest = () => ({
    all() {
        fillBest(this.$root.closest('form'));
        recordOrAsk(this.$root.closest('form'));
    },
});

/**
 * Counts strokes while the other hand holds the spanner, by a button, a key or half the screen. A cloudy stroke starts
 * the clear ones anew; at a top-up stroke it calls out.
 */
export const strokes = () => ({
    strokes: '',
    clear: '',
    alarm: false,
    pad: false,
    lock: null,
    before: [],
    init() {
        this.hear = (event) => {
            if (this.pad && [' ', 'Enter', 'Backspace', 'Escape'].includes(event.key)) {
                event.preventDefault();
                event.stopPropagation();
                if (!event.repeat) {
                    ({ ' ': () => this.stroke(), Enter: () => this.clearStroke(), Backspace: () => this.minus() })[
                        event.key
                    ]?.() ?? (event.key === 'Escape' && this.shut());
                }
            }
        };
        document.addEventListener('keydown', this.hear, true);
    },
    destroy() {
        document.removeEventListener('keydown', this.hear, true);
    },
    async open() {
        this.pad = true;
        this.lock = await keepAwake();
    },
    shut() {
        this.pad = false;
        this.lock?.release();
        this.$nextTick(() => this.$root.dispatchEvent(new Event('input', { bubbles: true })));
    },
    stroke() {
        this.count('0');
    },
    clearStroke() {
        this.count(String(Number(this.clear || 0) + 1));
    },
    count(clear) {
        this.before.push([this.strokes, this.clear]);
        this.strokes = String(Number(this.strokes || 0) + 1);
        this.clear = clear;
        this.look();
    },
    /** One too many: as it was before the last one. */
    minus() {
        const before = this.before.pop();
        if (before) {
            [this.strokes, this.clear] = before;
        } else if (Number(this.strokes) > 0) {
            this.strokes = String(Number(this.strokes) - 1);
            this.clear = String(Math.max(0, Number(this.clear || 0) - 1));
        }
        this.look();
    },
    look() {
        const total = Number(this.$root.dataset.soFar) + Number(this.strokes);
        this.alarm = this.$root.dataset.topups
            .split(' ')
            .filter((at) => at !== '')
            .includes(String(total));
        globalThis.navigator.vibrate?.(this.alarm ? 400 : 20);
        const field = this.$root.querySelector('input[name=strokes]');
        this.$nextTick(() => field.dispatchEvent(new Event('change', { bubbles: true })));
    },
});

/** Keeps the screen awake while somebody holds or counts; nothing where the device cannot. */
const keepAwake = async () => {
    try {
        return (await globalThis.navigator.wakeLock?.request('screen')) ?? null;
    } catch {
        return null;
    }
};

const MUTED = 'rodrel-muted';

/** Counts a hold or a wait down, says its end by sound and vibration, and keeps the screen awake meanwhile. */
export const countdown = () => ({
    left: 0,
    face: '',
    timer: 0,
    muted: false,
    lock: null,
    init() {
        this.muted = localStorage.getItem(MUTED) === 'yes';
    },
    mute() {
        this.muted = !this.muted;
        localStorage.setItem(MUTED, this.muted ? 'yes' : 'no');
    },
    async start() {
        const seconds = Number(this.$event.target.closest('button').value);
        clearInterval(this.timer);
        const end = performance.now() + seconds * 1000;
        const show = () => {
            this.left = Math.max(0, Math.ceil((end - performance.now()) / 1000));
            this.face = this.left >= 60
                ? `${Math.floor(this.left / 60)}:${String(this.left % 60).padStart(2, '0')}`
                : String(this.left);
            if (this.left === 0) {
                clearInterval(this.timer);
                this.ring();
                this.lock?.release();
            }
        };
        show();
        this.timer = setInterval(show, 200);
        this.lock = await keepAwake();
    },
    ring() {
        globalThis.navigator.vibrate?.([300, 100, 300]);
        if (this.muted || !globalThis.AudioContext) {
            return;
        }
        const context = new AudioContext();
        const tone = context.createOscillator();
        tone.frequency.value = 880;
        tone.connect(context.destination);
        tone.start();
        tone.stop(context.currentTime + 0.5);
        tone.onended = () => context.close();
    },
    running() {
        return this.left > 0;
    },
});

/**
 * Says the helper's words aloud, by the device's own voice and in the language of the page: all in their time, or one
 * at a tap; the word being said is marked, and it stops at a tap.
 */
export const speaker = () => ({
    able: 'speechSynthesis' in globalThis,
    speaking: false,
    at: -1,
    timers: [],
    words() {
        return [...this.$root.querySelectorAll('.spoken li')];
    },
    say(word) {
        for (const other of this.words()) {
            other.toggleAttribute('data-said', other === word);
        }
        const said = new SpeechSynthesisUtterance(word.textContent);
        said.lang = document.documentElement.lang;
        globalThis.speechSynthesis.speak(said);
    },
    speak() {
        if (this.speaking) {
            this.stop();
            return;
        }
        const words = this.words();
        const hold = Number(this.$root.dataset.hold) * 1000;
        const wait = Number(this.$root.dataset.wait) * 1000;
        let at = 0;
        this.speaking = true;
        words.forEach((word, n) => {
            this.timers.push(setTimeout(() => this.say(word), at));
            at += (n === words.length - 2 && wait === 0) || (n === words.length - 3 && wait > 0) ? hold : 1200;
        });
        this.timers.push(setTimeout(() => this.stop(), at));
    },
    one() {
        const words = this.words();
        this.at = (this.at + 1) % words.length;
        this.say(words[this.at]);
    },
    stop() {
        this.timers.forEach(clearTimeout);
        this.timers = [];
        this.speaking = false;
        globalThis.speechSynthesis.cancel();
        this.words().forEach((word) => word.removeAttribute('data-said'));
    },
});

/** Runs since the stop and notes beside each temperature how long ago that was. */
export const heatClock = () => ({
    face: '0:00',
    label: '',
    at: 0,
    timer: 0,
    init() {
        this.label = this.$root.querySelector('button').dataset.stopped;
        for (const field of this.$root.closest('form').querySelectorAll('[data-clock]')) {
            field.addEventListener('change', () => this.note(field));
        }
    },
    start() {
        this.at = performance.now();
        clearInterval(this.timer);
        this.timer = setInterval(() => {
            this.face = this.clock();
        }, 250);
        this.label = this.$root.querySelector('button').dataset.again;
        document.getElementById('air')?.focus();
    },
    clock() {
        const seconds = Math.floor((performance.now() - this.at) / 1000);
        return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
    },
    note(field) {
        const since = document.getElementById(field.dataset.clock);
        if (this.at > 0 && field.value !== '' && since.value === '') {
            since.value = this.clock();
        }
    },
});

/** A photo is sent as soon as it is taken; the button is for when scripts are off. */
export const photo = () => ({
    manual: false,
    send() {
        this.$root.requestSubmit();
    },
});

/** Figures set from a marked gauge: a tenth more or less by one thumb. */
export const gauge = () => ({
    step() {
        const button = this.$event.target.closest('button');
        const field = button.parentElement.querySelector('input');
        const now = Number(field.value.replace(',', '.')) || 0;
        field.value = String(Math.max(0, Math.round(10 * (now + Number(button.value))) / 10));
    },
});

/** Reads a round aloud, one look at a tap, for hands that hold a lamp: the look that is read is marked and in view. */
export const reader = () => ({
    able: 'speechSynthesis' in globalThis,
    going: false,
    at: -1,
    label: '',
    init() {
        this.label = this.$root.dataset.first;
    },
    looks() {
        return [...this.$root.querySelectorAll('.round-stops > ol > li')];
    },
    next() {
        const looks = this.looks();
        const { first, next } = this.$root.dataset;
        const left = looks.findIndex((look, n) => n > this.at && look.dataset.made === 'no');
        globalThis.speechSynthesis.cancel();
        if (left < 0) {
            this.stop();
            this.at = -1;
            return;
        }
        this.at = left;
        this.going = true;
        this.label = looks.some((look, n) => n > left && look.dataset.made === 'no') ? next : first;
        this.mark(looks[left]);
        looks[left].scrollIntoView({ block: 'center' });
        const said = new SpeechSynthesisUtterance(looks[left].dataset.say);
        said.lang = document.documentElement.lang;
        globalThis.speechSynthesis.speak(said);
    },
    stop() {
        this.going = false;
        this.label = this.$root.dataset.first;
        globalThis.speechSynthesis.cancel();
        this.mark(null);
    },
    paper() {
        globalThis.print();
    },
    mark(one) {
        this.looks().forEach((look) => look.toggleAttribute('data-said', look === one));
    },
});
