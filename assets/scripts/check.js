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

/** A check's sheet: answers all wheels at their best in one go. */
export const sheet = () => ({
    best() {
        for (const row of this.$root.querySelectorAll('[data-row]')) {
            row.querySelector('input[type=radio]').checked = true;
        }
        this.$root.querySelector('[data-key=enter]')?.focus();
    },
});

/**
 * Counts strokes while the other hand holds the spanner. A cloudy stroke starts the clear ones anew; at a top-up stroke
 * it calls out.
 */
export const strokes = () => ({
    strokes: '',
    clear: '',
    alarm: false,
    stroke() {
        this.strokes = String(Number(this.strokes || 0) + 1);
        this.clear = '0';
        this.look();
    },
    clearStroke() {
        this.strokes = String(Number(this.strokes || 0) + 1);
        this.clear = String(Number(this.clear || 0) + 1);
        this.look();
    },
    look() {
        const total = Number(this.$root.dataset.soFar) + Number(this.strokes);
        this.alarm = this.$root.dataset.topups
            .split(' ')
            .filter((at) => at !== '')
            .includes(String(total));
        if (this.alarm) {
            globalThis.navigator.vibrate?.(300);
        }
    },
});

/** Says the helper's words aloud in their time, by the device's own voice; the word being said is marked. */
export const speaker = () => ({
    able: 'speechSynthesis' in globalThis,
    speak() {
        const words = [...this.$root.querySelectorAll('.spoken li')];
        const hold = Number(this.$root.dataset.hold) * 1000;
        const wait = Number(this.$root.dataset.wait) * 1000;
        let at = 0;
        words.forEach((word, n) => {
            setTimeout(() => {
                words.forEach((other) => other.toggleAttribute('data-said', other === word));
                globalThis.speechSynthesis.speak(new SpeechSynthesisUtterance(word.textContent));
            }, at);
            at += (n === words.length - 2 && wait === 0) || (n === words.length - 3 && wait > 0) ? hold : 1200;
        });
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

/** The first look: what nobody has looked at yet as it should be, in one tap; what was seen stays as it was seen. */
export const firstLook = () => ({
    best() {
        for (const row of this.$root.querySelectorAll('[data-made=no] [data-row]')) {
            if (row.querySelector('input:checked') === null) {
                row.querySelector('[data-best]').checked = true;
            }
        }
        this.$root.querySelector('[data-key=enter]')?.focus();
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
