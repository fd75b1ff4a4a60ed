/**
 * A wrench is set once for the same bolts at several places: what is typed at one of them stands at the others where
 * nothing was typed yet, and is not ticked there.
 */
export const sameElsewhere = (root, field) => {
    delete field.dataset.copied;
    for (const other of root.querySelectorAll(`[data-same="${CSS.escape(field.dataset.same ?? '')}"]`)) {
        if (other !== field && (other.value === '' || other.dataset.copied)) {
            other.value = field.value;
            other.dataset.copied = 'yes';
        }
    }
};

/** Whether a step's figure is still to be typed. */
const wantsFigure = (tick) => tick.closest('.step-line, li').querySelector('[data-figure]')?.value.trim() === '';

/** Wheel nuts and the like after the bleed run. */
export const figures = () => ({
    heard() {
        sameElsewhere(this.$root, this.$event.target);
    },
});

/** A repair sheet, recorded in one go. A figure ticks its step; a tick that wants a figure asks for it. */
export const stepper = () => ({
    n: 0,
    skipped: 0,
    all: false,
    init() {
        this.$root.addEventListener('input', (event) => this.heard(event.target));
        this.$nextTick(() => this.look());
    },
    heard(field) {
        if (field.matches('[data-figure]')) {
            field.closest('.step-line, li').querySelector('[data-tick]').checked = field.value.trim() !== '';
            sameElsewhere(this.$root, field);
        } else if (field.matches('[data-tick]') && field.checked) {
            const figure = field.closest('.step-line, li').querySelector('[data-figure]');
            if (figure && figure.value === '') {
                figure.focus();
            }
        }
        this.look();
    },
    look() {
        this.n = this.$root.querySelectorAll('[data-tick]:checked').length;
        this.skipped = this.before().length;
        this.all = this.$root.querySelector('[data-tick]:not(:checked)') === null;
        for (const figure of this.$root.querySelectorAll('[data-figure]')) {
            figure.required = figure.closest('.step-line, li').querySelector('[data-tick]').checked;
        }
    },
    allReady() {
        for (const tick of this.$root.querySelectorAll('.prepare [data-tick]')) {
            tick.checked = true;
            tick.dispatchEvent(new Event('input', { bubbles: true }));
        }
        this.look();
    },
    /** Steps that want no figure any more and stand open before the last one that is ticked. */
    before() {
        const ticks = [...this.$root.querySelectorAll('.steps [data-tick]')];
        const last = ticks.findLastIndex((tick) => tick.checked);

        return ticks
            .slice(0, Math.max(0, last))
            .filter((tick) => !tick.checked && !wantsFigure(tick));
    },
    tickBefore() {
        for (const tick of this.before()) {
            tick.checked = true;
            tick.dispatchEvent(new Event('input', { bubbles: true }));
        }
        this.look();
    },
    next() {
        const tick = this.$root.querySelector('.steps [data-tick]:not(:checked)');
        if (tick) {
            tick.checked = true;
            tick.closest('li').scrollIntoView({ block: 'center' });
            tick.dispatchEvent(new Event('input', { bubbles: true }));
        }
        this.look();
    },
    none() {
        return this.n === 0;
    },
});
