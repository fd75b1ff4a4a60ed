import { clock, forget } from './drafts.js';

/** How often the shop is looked for while something waits (ms), and when the next sheets are fetched ahead. */
const EVERY_MS = 8000;
const AHEAD_MS = 2500;
const MOST_AHEAD = 24;

const worker = () => navigator.serviceWorker?.controller;

/** Everything that this page is made of, so that it opens without a network. */
function assets() {
    const map = document.querySelector('script[type=importmap]');
    const scripts = map ? Object.values(JSON.parse(map.textContent).imports) : [];
    const loaded = performance.getEntriesByType('resource').map((one) => new URL(one.name).pathname);

    return [...new Set([...scripts, ...loaded])].filter((one) => one.startsWith('/assets/'));
}

/** The sheets that are likely wanted next: those that the Bench names, and what the job goes on to. */
function ahead() {
    const links = [...document.querySelectorAll('[data-ahead] a[href], .bench-next a[href], .way a[href]')];
    const own = globalThis.location.pathname.match(/^\/jobs\/[0-9a-f-]{36}/)?.[0];
    const urls = links.map((one) => one.getAttribute('href')).filter((one) => own && one.startsWith(`${own}/`));

    return [...new Set(urls)].filter((one) => !/\.(pdf|json|csv)$/.test(one)).slice(0, MOST_AHEAD);
}

/** Registers the worker where the browser and the address allow it, and tells it whose device this is. */
export async function serve() {
    const user = document.documentElement.dataset.user;
    if (!('serviceWorker' in navigator) || !user) {
        return;
    }
    try {
        await navigator.serviceWorker.register('/worker.js');
        await navigator.serviceWorker.ready;
    } catch {
        return; // refused by the browser: everything works with a network
    }
    const hello = () => {
        worker()?.postMessage({ does: 'hello', user, assets: assets() });
        const urls = ahead();
        if (urls.length > 0 && !document.documentElement.dataset.asOf) {
            setTimeout(() => worker()?.postMessage({ does: 'ahead', urls }), AHEAD_MS);
        }
    };
    if (worker()) {
        hello();
    } else {
        navigator.serviceWorker.addEventListener('controllerchange', hello, { once: true });
    }
}

/** What waits on this device: said in the head, listed on its page. */
export const outbox = () => ({
    lines: [],
    user: document.documentElement.dataset.user,
    asOf: '',
    timer: 0,
    init() {
        const at = document.documentElement.dataset.asOf;
        if (at) {
            this.asOf = clock(new Date(at));
        }
        navigator.serviceWorker?.addEventListener('message', (event) => this.hear(event.data));
        globalThis.addEventListener('online', () => worker()?.postMessage({ does: 'send' }));
        this.timer = setInterval(() => {
            if (this.lines.some((one) => one.state === 'waits')) {
                worker()?.postMessage({ does: 'send' });
            }
        }, EVERY_MS);
    },
    hear(said) {
        if (said.outbox) {
            this.lines = said.outbox.map((one) => ({
                ...one,
                time: clock(one.made),
                mine: !one.by || one.by === this.user,
                others: Boolean(this.user && one.by && one.by !== this.user),
                trouble: one.state !== 'waits',
                look: one.state !== 'waits' && (!one.by || one.by === this.user),
                sentences: one.said.join(' '),
            }));
            forget(said.outbox.map((one) => one.draft));
            this.mark();
        }
        if (said.sent && document.documentElement.dataset.asOf) {
            globalThis.location.reload(); // what is shown was kept: the shop has more to say now
        }
    },
    /** A step that waits is no longer asked for. */
    mark() {
        const here = globalThis.location.pathname;
        for (const name of this.lines.filter((one) => one.url === here).flatMap((one) => one.ticked)) {
            const tick = document.querySelector(`[data-tick][name$="[${CSS.escape(name)}][done]"]`);
            tick?.closest('li').setAttribute('data-waits', 'yes');
        }
        const gates = document.querySelector('[data-gates]');
        const behind = document.querySelector('[data-behind-gates]');
        if (gates && behind && [...gates.querySelectorAll('form')].every((form) => this.waits(form))) {
            gates.hidden = true;
            behind.hidden = false;
        }
    },
    /** Whether the outbox holds what this form would send. */
    waits(form) {
        const told = (name) => form.querySelector(`input[name=${name}]`)?.value;
        const same = (line) =>
            ['kind', 'to', 'what'].every(
                (name) => (line.fields.find(([key]) => key === name)?.[1] ?? undefined) === told(name),
            );

        return this.lines.some((line) => line.url === new URL(form.action).pathname && same(line));
    },
    said() {
        return this.$root.dataset.said.replace('#', String(this.lines.length));
    },
    dropIt() {
        worker()?.postMessage({ does: 'drop', n: Number(this.$event.target.value) });
    },
    again() {
        worker()?.postMessage({ does: 'again', n: Number(this.$event.target.value) });
    },
    /** Opens it as the shop sees it: the same form, sent as a page. */
    open() {
        const line = this.lines.find((one) => one.n === Number(this.$event.target.value));
        const form = document.createElement('form');
        form.method = 'post';
        form.action = line.url;
        for (const [name, value] of line.fields) {
            const field = document.createElement('input');
            field.type = 'hidden';
            field.name = name;
            field.value = name === '_draft' ? `outbox:${line.n}` : value;
            form.append(field);
        }
        document.body.append(form);
        form.submit();
    },
});

/** What the outbox held and was now sent as a page is no longer kept. */
export function sent() {
    const taken = document.documentElement.dataset.taken ?? '';
    if (taken.startsWith('outbox:')) {
        worker()?.postMessage({ does: 'drop', n: Number(taken.slice(7)) });
    }
}
