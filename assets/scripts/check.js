/** A stopwatch on the device's monotonic clock. */
export const stopwatch = () => ({
    running: false, start: 0, kept: 0, face: '0.0', timer: 0,
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
    reset() { clearInterval(this.timer); this.running = false; this.kept = 0; this.show(); },
    show() { this.face = ((this.kept + (this.running ? performance.now() - this.start : 0)) / 1000).toFixed(1); },
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

/** Counts strokes while the other hand holds the spanner. A cloudy stroke starts the clear ones anew. */
export const strokes = () => ({
    strokes: '', clear: '',
    stroke() { this.strokes = String(Number(this.strokes || 0) + 1); this.clear = '0'; },
    clearStroke() { this.strokes = String(Number(this.strokes || 0) + 1); this.clear = String(Number(this.clear || 0) + 1); },
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
            at += n === words.length - 2 && wait === 0 || n === words.length - 3 && wait > 0 ? hold : 1200;
        });
    },
});
