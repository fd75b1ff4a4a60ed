const EVERY_MS = 4000;

const minutes = (seconds) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** A screen on the wall: follows one job, counts down what waits, takes nothing. */
export const wall = () => ({
    left: 0,
    face: '',
    clock: '',
    init() {
        const end = performance.now() + Number(this.$root.dataset.wait) * 1000;
        const show = () => {
            this.left = Math.max(0, Math.ceil((end - performance.now()) / 1000));
            this.face = minutes(this.left);
            this.clock = new Intl.DateTimeFormat(document.documentElement.lang, {
                hour: '2-digit',
                minute: '2-digit',
                hourCycle: 'h23',
            }).format(new Date());
        };
        show();
        setInterval(show, 1000);
        setInterval(() => this.ask(), EVERY_MS);
    },
    waits() {
        return this.left > 0;
    },
    async ask() {
        try {
            const answer = await fetch(this.$root.dataset.url);
            const { head } = await answer.json();
            if (head !== Number(this.$root.dataset.head)) {
                globalThis.location.reload();
            }
        } catch {
            /* no network: the last word stands */
        }
    },
});
