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
    /** Steps without a figure that stand open before the last one that is ticked. */
    before() {
        const ticks = [...this.$root.querySelectorAll('.steps [data-tick]')];
        const last = ticks.findLastIndex((tick) => tick.checked);

        return ticks
            .slice(0, Math.max(0, last))
            .filter((tick) => !tick.checked && !tick.closest('.step-line, li').querySelector('[data-figure]'));
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
