/*
 * Works between the pages and the network, for this shop alone. Pages that were opened are kept for a day and shown
 * when there is no network; what is recorded meanwhile waits in the outbox and is sent once, in order, under the name
 * of who made it. See docs/formats/outbox.md.
 */
const SHELL = 'rodrel-shell-1';
const PAGES = 'rodrel-pages-1';
const NO_NETWORK = '/no-network';
const LIFETIME_MS = 24 * 3600 * 1000;
/** How long a page and a sheet may take before the shop is asked whether it is there, and that answer (ms). */
const PAGE_MS = 5000;
const POST_MS = 8000;
const HERE_MS = 4000;
const HERE = '/here';
const JOB = /^\/jobs\/[0-9a-f-]{36}/;
const KEPT = /^\/(jobs\/[0-9a-f-]{36}(\/(?!report\.pdf|job\.json|readings\.csv|head).*)?)?$/;
const SENT_LATER = /^\/jobs\/[0-9a-f-]{36}\/(entries|photos|repair)$/;
/** What rests on what the shop believes now, or stands for somebody's word, needs the network. */
const AT_ONCE = ['finding', 'handover', 'waive', 'override', 'countersign', 'repaired', 'bled', 'intake'];

// --- the outbox: one store, in the order it was made ---------------------------------------------------------
const store = () =>
    new Promise((done, failed) => {
        const open = indexedDB.open('rodrel', 1);
        open.onupgradeneeded = () => {
            open.result.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true });
            open.result.createObjectStore('facts');
        };
        open.onsuccess = () => done(open.result);
        open.onerror = () => failed(open.error);
    });

async function run(name, mode, act) {
    const database = await store();
    return new Promise((done, failed) => {
        const transaction = database.transaction(name, mode);
        const request = act(transaction.objectStore(name));
        transaction.oncomplete = () => {
            database.close();
            done(request?.result);
        };
        transaction.onabort = transaction.onerror = () => {
            database.close();
            failed(transaction.error);
        };
    });
}

const all = () => run('outbox', 'readonly', (box) => box.getAll());
const put = (item) => run('outbox', 'readwrite', (box) => box.put(item));
const drop = (n) => run('outbox', 'readwrite', (box) => box.delete(n));
const fact = (key) => run('facts', 'readonly', (facts) => facts.get(key));
const remember = (key, value) => run('facts', 'readwrite', (facts) => facts.put(value, key));

const field = (item, name) => item.fields.find(([key]) => key === name)?.[1] ?? '';

const line = (item) => ({
    n: item.n,
    url: item.url,
    kind: field(item, 'kind'),
    label: field(item, '_label'),
    draft: field(item, '_draft'),
    ticked: item.fields.map(([key]) => key.match(/^(step|prepared)\[(.+)\]\[done\]$/)?.[2]).filter(Boolean),
    by: item.by,
    made: item.made,
    state: item.state,
    said: item.said,
    fields: item.fields.filter(([, value]) => typeof value === 'string'),
    sendable: item.fields.every(([, value]) => typeof value === 'string'),
});

async function tell() {
    const outbox = (await all()).map(line);
    for (const page of await clients.matchAll({ type: 'window' })) {
        page.postMessage({ outbox });
    }
}

/** Kept instead of sent; the page that it came from, or the next one, is shown as it was kept. */
async function keep(request, data) {
    const path = new URL(request.url).pathname;
    const fields = [...data.entries()];
    const one = (name) => fields.find(([key]) => key === name)?.[1] ?? '';
    if (!SENT_LATER.test(path) || AT_ONCE.includes(one('kind'))) {
        return offline(NO_NETWORK);
    }
    await put({ url: path, fields, by: one('by'), made: Date.now(), state: 'waits', said: [] });
    await tell();
    const bench = `${path.match(JOB)[0]}/bench`;
    const from = request.referrer ? new URL(request.referrer).pathname : bench;
    const to = one('back') || (['reading', 'round'].includes(one('kind')) ? bench : from);

    return Response.redirect(new URL(to, location.origin), 303);
}

let sending = null;

/** Sends what waits, one after the other; nothing twice, however many pages ask. */
const send = () => {
    sending ??= sendAll().finally(() => {
        sending = null;
    });
    return sending;
};

async function sendAll() {
    const user = await fact('user');
    let sent = 0;
    for (const item of await all()) {
        if (item.state !== 'waits' || !user || (item.by && item.by !== user)) {
            continue;
        }
        const form = new FormData();
        for (const [name, value] of item.fields) {
            form.append(name, value);
        }
        let answer;
        try {
            const asked = fetch(item.url, {
                method: 'POST',
                body: form,
                headers: { 'X-Kept-For': String(Math.max(0, Math.round((Date.now() - item.made) / 1000))) },
                redirect: 'manual',
            });
            answer = await patient(asked, POST_MS);
        } catch {
            break; // still no network
        }
        if (answer.status === 200) {
            await drop(item.n);
            sent += 1;
        } else if (answer.status === 409 || answer.status === 422 || answer.status === 404 || answer.status === 403) {
            const said = await answer.json().catch(() => ({}));
            await put({ ...item, state: answer.status === 409 ? 'differs' : 'refused', said: said.said ?? [] });
        } else {
            break; // signed out, or the shop is in trouble: later
        }
    }
    await tell();
    if (sent > 0) {
        for (const page of await clients.matchAll({ type: 'window' })) {
            page.postMessage({ sent });
        }
    }
}

/**
 * Slow is not offline: what is late is waited for as long as the web server answers at all, however busy the shop
 * behind it is. Rejects where there is no network.
 */
async function patient(asked, ms) {
    const late = Symbol('late');
    asked.catch(() => {}); // said by whoever waits for it
    for (;;) {
        const first = await Promise.race([asked, new Promise((done) => setTimeout(done, ms, late))]);
        if (first !== late) {
            return first;
        }
        await within(HERE_MS, (signal) => fetch(HERE, { method: 'HEAD', cache: 'no-store', signal }));
    }
}

// --- pages ------------------------------------------------------------------------------------------------------
function within(ms, act) {
    const stop = new AbortController();
    const timer = setTimeout(() => stop.abort(), ms);
    return act(stop.signal).finally(() => clearTimeout(timer));
}

async function storePage(url, response) {
    const headers = new Headers(response.headers);
    headers.set('X-Kept', String(Date.now()));
    const body = await response.blob();
    await (await caches.open(PAGES)).put(url, new Response(body, { status: 200, headers }));
}

async function kept(url) {
    const pages = await caches.open(PAGES);
    const path = new URL(url).pathname;
    const wanted = JOB.test(path) && path.match(JOB)[0] === path ? `${path}/bench` : path;
    const found =
        (await pages.match(url)) ?? (await pages.match(new URL(wanted, location.origin).href, { ignoreSearch: true }));
    if (!found) {
        return null;
    }
    const at = Number(found.headers.get('X-Kept'));
    if (Date.now() - at > LIFETIME_MS) {
        return null;
    }
    const html = (await found.text()).replace('<html ', `<html data-as-of="${new Date(at).toISOString()}" `);

    return new Response(html, { status: 200, headers: found.headers });
}

const offline = async (path) =>
    (await (await caches.open(SHELL)).match(path)) ?? new Response('No network.', { status: 503 });

async function page(request) {
    const old = await kept(request.url);
    try {
        const response = await patient(fetch(request), PAGE_MS);
        const html = response.ok && (response.headers.get('Content-Type') ?? '').startsWith('text/html');
        if (html && KEPT.test(new URL(request.url).pathname)) {
            await storePage(request.url, response.clone());
        }

        return response;
    } catch {
        return old ?? offline(NO_NETWORK);
    }
}

async function post(request) {
    const copy = request.clone();
    try {
        return await patient(fetch(request), POST_MS);
    } catch {
        return keep(request, await copy.formData());
    }
}

async function asset(request) {
    const shell = await caches.open(SHELL);
    const found = await shell.match(request);
    if (found) {
        return found;
    }
    const response = await fetch(request);
    if (response.ok) {
        await shell.put(request, response.clone());
    }

    return response;
}

self.addEventListener('install', (event) => {
    self.skipWaiting();
    event.waitUntil(caches.open(SHELL).then((shell) => shell.add(new Request(NO_NETWORK, { cache: 'reload' }))));
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('fetch', (event) => {
    const url = new URL(event.request.url);
    if (url.origin !== location.origin) {
        return;
    }
    if (event.request.mode === 'navigate' && event.request.method === 'POST') {
        if (url.pathname === '/sign-out') {
            event.waitUntil(caches.delete(PAGES));
        }
        if (SENT_LATER.test(url.pathname)) {
            event.respondWith(post(event.request));
        }
    } else if (event.request.method === 'GET' && event.request.mode === 'navigate') {
        event.respondWith(page(event.request));
    } else if (event.request.method === 'GET' && url.pathname.startsWith('/assets/')) {
        event.respondWith(asset(event.request));
    }
});

/** Whose pages these are: another person's are forgotten. */
async function belongTo(user) {
    const before = await fact('user');
    if (before !== user) {
        if (before) {
            await caches.delete(PAGES);
        }
        await remember('user', user);
    }
}

async function fetchAhead(urls) {
    for (const url of urls) {
        try {
            const response = await within(PAGE_MS, (signal) => fetch(url, { signal, redirect: 'error' }));
            if (response.ok) {
                await storePage(new URL(url, location.origin).href, response);
            }
        } catch {
            return;
        }
    }
}

self.addEventListener('message', (event) => {
    const { does, user, urls, assets, n } = event.data;
    const acts = {
        hello: async () => {
            await belongTo(user);
            const shell = await caches.open(SHELL);
            const known = new Set((await shell.keys()).map((one) => new URL(one.url).pathname));
            await Promise.all(assets.filter((one) => !known.has(one)).map((one) => shell.add(one).catch(() => {})));
            await tell();
            await send();
        },
        ahead: () => fetchAhead(urls),
        send,
        drop: async () => {
            await drop(n);
            await tell();
        },
        again: async () => {
            const item = await run('outbox', 'readonly', (box) => box.get(n));
            if (item) {
                await put({ ...item, state: 'waits', said: [] });
                await send();
            }
        },
    };
    event.waitUntil(acts[does]?.() ?? Promise.resolve());
});
