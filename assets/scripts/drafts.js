/**
 * What is typed stays on this device, per person, page and sheet, until the shop has taken it in: a photo, another
 * unit, a dark bay, a reload, a crash or the end of the session take nothing away.
 */
const PREFIX = 'rodrel-draft|';
const DAYS = 7;
const FIELDS = 'input:not([type=hidden]):not([type=file]):not([type=password]), select, textarea';
/** What is another on every page and says nothing about which sheet it is. */
const PASSING = ['_token', 'entry', 'by', 'back', '_draft', '_label'];

export const clock = (at) =>
    new Intl.DateTimeFormat(document.documentElement.lang, {
        hour: '2-digit',
        minute: '2-digit',
        hourCycle: 'h23',
    }).format(at);

const store = {
    get(key) {
        try {
            return JSON.parse(localStorage.getItem(key));
        } catch {
            return null;
        }
    },
    set(key, value) {
        try {
            localStorage.setItem(key, JSON.stringify(value));
        } catch {
            /* no room or not allowed: the page still works */
        }
    },
    drop(key) {
        try {
            localStorage.removeItem(key);
        } catch {
            /* as above */
        }
    },
    keys() {
        try {
            return Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
        } catch {
            return [];
        }
    },
};

/** Sheets whose entries have a number of their own. */
export const isSheet = (form) =>
    form.method === 'post' && [...form.elements].some((one) => one.name === 'entry' || one.name.endsWith('[entry]'));

/** Which sheet of whom it is. */
export function draftKey(form) {
    const told = [...form.elements]
        .filter((one) => one.type === 'hidden' && !PASSING.includes(one.name) && !one.name.endsWith('[entry]'))
        .map((one) => `${one.name}=${one.value}`);
    const path = new URL(form.action).pathname + globalThis.location.pathname;

    return `${PREFIX}${document.documentElement.dataset.user}|${path}|${told.join('&')}`;
}

/** A short name for it, which the shop says back. */
export function draftName(key) {
    let hash = 0;
    for (const letter of key) {
        hash = (Math.imul(hash, 31) + letter.codePointAt(0)) | 0;
    }

    return `d${(hash >>> 0).toString(36)}`;
}

const fields = (form) => [...form.elements].filter((one) => one.name !== '' && one.matches(FIELDS));

function values(form) {
    const kept = {};
    for (const field of fields(form)) {
        const ticked = field.type === 'radio' || field.type === 'checkbox';
        const usual = ticked ? field.checked === field.defaultChecked : field.value === (field.defaultValue ?? '');
        if (ticked && field.checked && !usual) {
            kept[`${field.name}|${field.value}`] = true;
        } else if (!ticked && field.value !== '' && !usual) {
            kept[field.name] = field.value;
        }
    }

    return kept;
}

function fill(form, kept) {
    let filled = false;
    for (const field of fields(form)) {
        const ticked = field.type === 'radio' || field.type === 'checkbox';
        const value = kept[ticked ? `${field.name}|${field.value}` : field.name];
        if (value !== undefined && (ticked ? !field.checked : field.value !== value)) {
            if (ticked) {
                field.checked = true;
            } else {
                field.value = value;
            }
            field.dispatchEvent(new Event('input', { bubbles: true }));
            filled = true;
        }
    }

    return filled;
}

function say(form, at) {
    const note = document.getElementById('kept-here').content.firstElementChild.cloneNode(true);
    note.querySelector('time').textContent = clock(at);
    note.querySelector('button').addEventListener('click', () => {
        store.drop(draftKey(form));
        form.reset();
        for (const field of fields(form)) {
            field.dispatchEvent(new Event('input', { bubbles: true }));
        }
        store.drop(draftKey(form));
        note.remove();
    });
    const place = form.childElementCount > 0 && form.offsetHeight > 0 ? form : form.parentElement;
    place.querySelector(':scope > .kept-here')?.remove();
    place.prepend(note);
}

/** Forgets what was taken in, by the name that the shop says back or that the outbox holds. */
export function forget(names) {
    for (const key of store.keys()) {
        if (names.includes(draftName(key))) {
            store.drop(key);
        }
    }
}

function tidy() {
    for (const key of store.keys()) {
        const draft = store.get(key);
        if (!draft || Date.now() - draft.at > DAYS * 86_400_000) {
            store.drop(key);
        }
    }
}

export function drafts() {
    tidy();
    forget([document.documentElement.dataset.taken]);
    for (const form of document.querySelectorAll('main form')) {
        if (!isSheet(form) || fields(form).length === 0) {
            continue;
        }
        const key = draftKey(form);
        const draft = store.get(key);
        if (draft && fill(form, draft.values)) {
            say(form, new Date(draft.at));
        }
        let told = false; // what another tab tells is not told back to it
        const keep = () => {
            if (told) {
                return;
            }
            const kept = values(form);
            if (Object.keys(kept).length === 0) {
                store.drop(key);
            } else {
                store.set(key, { at: Date.now(), values: kept });
            }
        };
        // fields may stand outside their form, and "all as it should be" fires nothing: any tap may have changed it
        const own = ({ target }) => (target.form === form || target.matches('button[type=button]') ? keep() : null);
        document.addEventListener('input', own);
        document.addEventListener('change', own);
        document.addEventListener('click', (event) => setTimeout(() => own(event), 0));
        globalThis.addEventListener('storage', (event) => {
            if (event.key !== key) {
                return;
            }
            told = true;
            const other = store.get(key);
            form.reset();
            fill(form, other?.values ?? {});
            if (other) {
                say(form, new Date(other.at));
            } else {
                form.querySelector('.kept-here')?.remove();
            }
            told = false;
        });
    }
    const refused = document.querySelector('.refused-here');
    if (refused) {
        point(refused);
    }
}

/** Marks the field that was refused, and says there why. */
function point(refused) {
    const typed = refused.dataset.typed;
    const near = [...document.querySelectorAll('main form input:not([type=hidden])')].find(
        (one) => one.value !== '' && (one.value === typed || typed.startsWith(`${one.value} `)),
    );
    if (near) {
        near.setAttribute('aria-invalid', 'true');
        refused.id = 'refused-why';
        near.setAttribute('aria-describedby', refused.id);
        near.focus();
    }
    refused.scrollIntoView({ block: 'nearest' });
}
