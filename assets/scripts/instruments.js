/** How often the shop is asked for what instruments sent (ms). */
const EVERY_MS = 1500;

/** Offers the latest reading of each instrument to the number field in use, or to the first that is empty. */
export const instruments = () => ({
    offers: [],
    refused: [],
    field: null,
    form: null,
    timer: 0,
    init() {
        this.form = this.$root.closest('form');
        this.form.addEventListener('focusin', (event) => {
            this.field = event.target.matches('.reading-input') ? event.target : this.field;
        });
        this.timer = setInterval(() => this.ask(), EVERY_MS);
        this.ask();
    },
    destroy() {
        clearInterval(this.timer);
    },
    async ask() {
        if (document.hidden) {
            return;
        }
        try {
            const url = this.$root.dataset.url.replace('-kind-', this.$root.dataset.kind);
            const answer = await fetch(url, { headers: { Accept: 'application/json' } });
            const fresh = answer.ok ? await answer.json() : [];
            this.offers = fresh.filter((one) => !this.refused.includes(one.id)).map((one) => ({ ...one,
                said: this.words().replace('#', one.instrument).replace('@', one.seconds) }));
        } catch {
            this.offers = [];
        }
    },
    words() {
        return this.$root.querySelector('template').content.querySelector('[data-from]').dataset.from;
    },
    take() {
        const id = Number(this.$event.target.value);
        const offer = this.offers.find((one) => one.id === id);
        const open = [...this.form.querySelectorAll('.reading-input')].find((one) => one.value === '');
        const field = this.field?.value === '' ? this.field : open || this.field;
        if (field) {
            field.value = offer.typed;
            field.dispatchEvent(new Event('input', { bubbles: true }));
            this.field = null;
        }
        this.gone(id);
    },
    refuse() {
        this.gone(Number(this.$event.target.value));
    },
    gone(id) {
        this.refused.push(id);
        this.offers = this.offers.filter((one) => one.id !== id);
    },
});
