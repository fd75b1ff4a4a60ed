import { draftKey, draftName, isSheet } from './drafts.js';

/** A second tap while the first is on its way is the same one; after so long it may go again (ms). */
const SAME_MS = 60_000;
/** After so long somebody wonders whether it went (ms). */
const WONDERS_MS = 1500;

const hidden = (form, name, value) => {
    const field = form.querySelector(`input[name=${name}]`) ?? form.appendChild(document.createElement('input'));
    field.type = 'hidden';
    field.name = name;
    field.value = value;
};

/** What follows from an act that cannot be taken lightly: asked once, answered by a tap or a fresh key. */
function ask(form, submitter, what) {
    const dialog = document.getElementById('ask');
    dialog.querySelector('[data-ask-title]').textContent = submitter?.textContent.trim() ?? '';
    dialog.querySelector('[data-ask-what]').textContent = what;
    dialog.querySelector('[value=yes]').textContent = submitter?.textContent.trim() ?? '';
    dialog.onclose = () => {
        if (dialog.returnValue === 'yes') {
            form.dataset.asked = 'yes';
            form.requestSubmit(submitter);
        }
    };
    dialog.returnValue = '';
    dialog.showModal();
}

/** Every form: asks where it must, goes once, and says which draft it is. */
export function forms() {
    // a key that is held down presses once, on this page and on the one that follows
    document.addEventListener(
        'keydown',
        (event) => {
            if (event.repeat && (event.key === 'Enter' || event.key === ' ')) {
                const writing = document.activeElement?.matches('textarea, input');
                if (!writing || event.key === 'Enter') {
                    event.preventDefault();
                }
            }
        },
        true,
    );
    document.addEventListener('submit', (event) => {
        const form = event.target;
        if (form.method !== 'post') {
            return;
        }
        const now = performance.now();
        if (form.dataset.gone && now - Number(form.dataset.gone) < SAME_MS) {
            event.preventDefault();
            return;
        }
        const kind = form.querySelector('input[name=kind]')?.value ?? '';
        const what = form.dataset.ask ?? document.getElementById('ask')?.dataset[kind];
        if (what && form.dataset.asked !== 'yes') {
            event.preventDefault();
            ask(form, event.submitter, what);
            return;
        }
        form.dataset.gone = String(now);
        setTimeout(() => {
            const line = document.getElementById('slow');
            if (line && form.dataset.gone) {
                line.hidden = false;
                line.textContent = line.dataset.said;
            }
        }, WONDERS_MS);
        if (isSheet(form)) {
            const what = event.submitter?.textContent.trim().replace(/\s+/g, ' ') ?? '';
            const title = document.querySelector('h1')?.textContent.trim() ?? document.title;
            hidden(form, '_draft', draftName(draftKey(form)));
            hidden(form, '_label', `${title}: ${what}`.slice(0, 160));
        }
    });
    // back from the next page: the same form may go again
    globalThis.addEventListener('pageshow', () => {
        for (const form of document.querySelectorAll('form[data-gone]')) {
            delete form.dataset.gone;
            delete form.dataset.asked;
        }
        document.getElementById('slow')?.setAttribute('hidden', '');
    });
}
