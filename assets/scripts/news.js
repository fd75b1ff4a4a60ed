const EVERY_MS = 5000;

/** Asks every five seconds whether somebody else added to this job; says so in a bar and moves nothing. */
export const news = () => ({
    shown: false,
    said: '',
    etag: '',
    init() {
        setInterval(() => this.ask(), EVERY_MS);
    },
    async ask() {
        if (document.hidden) {
            return;
        }
        try {
            const answer = await fetch(this.$root.dataset.url, {
                headers: this.etag ? { 'If-None-Match': this.etag } : {},
                credentials: 'same-origin',
            });
            if (answer.status !== 200) {
                return;
            }
            this.etag = answer.headers.get('ETag') || '';
            const news = await answer.json();
            if (news.head > Number(this.$root.dataset.head)) {
                this.said = news.said;
                this.shown = true;
            }
        } catch {
            /* no signal: ask again later */
        }
    },
});

/** While predictions are computed, looks again every two seconds. */
export const waiting = () => ({
    init() {
        setTimeout(() => globalThis.location.reload(), 2000);
    },
});
