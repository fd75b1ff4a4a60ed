/** Shortcuts: an element with data-key is pressed by that key. They sleep while a field has focus. */
export function keys() {
    if (document.documentElement.dataset.shortcuts === 'off') {
        return;
    }
    const typing = (el) =>
        el && (el.matches('input:not([type=radio]):not([type=checkbox]), textarea, select') || el.isContentEditable);
    document.addEventListener('keydown', (event) => {
        if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) {
            return;
        }
        if (event.repeat || document.querySelector('dialog[open]')) {
            return;
        }
        const key = event.key.toLowerCase();
        if (typing(document.activeElement)) {
            if (key === 'escape') {
                document.activeElement.blur();
            }
            return;
        }
        if (key === '?') {
            help();
            return;
        }
        if (key === 'm') {
            document.getElementById('map')?.focus();
            return;
        }
        if (/^[1-9]$/.test(key) && answerRow(Number(key))) {
            event.preventDefault();
            return;
        }
        const target = document.querySelector(`[data-key="${CSS.escape(key)}"]`);
        if (target && key !== 'enter') {
            event.preventDefault();
            if (target.matches('input')) {
                target.focus();
            } else {
                target.click();
            }
        }
    });
}

let glossary = null;

/** Opens help: the keys, or what a word of the house means. */
async function help(word) {
    const dialog = document.getElementById('help');
    const body = dialog.querySelector('.help-body');
    dialog.dataset.keys ??= body.innerHTML;
    if (word) {
        try {
            glossary ??= new DOMParser().parseFromString(await (await fetch(word.href)).text(), 'text/html');
            const meant = glossary.getElementById(new URL(word.href).hash.slice(1));
            body.replaceChildren(...[...meant.children].map((one) => one.cloneNode(true)));
        } catch {
            globalThis.location.assign(word.href);
            return;
        }
    } else {
        body.innerHTML = dialog.dataset.keys;
    }
    dialog.showModal();
}

/** Words of the house and the help link open on the spot; without scripts they lead to the glossary. */
export function words() {
    document.addEventListener('click', (event) => {
        const word = event.target.closest('a[data-word]');
        const link = event.target.closest('a[data-help]');
        if ((word || link) && !event.ctrlKey && !event.metaKey) {
            event.preventDefault();
            help(word);
        }
    });
}

/** On a sheet with several rows a digit answers the first row that is still open. */
function answerRow(n) {
    for (const row of document.querySelectorAll('[data-row]')) {
        const choices = row.querySelectorAll('input[type=radio]');
        if (![...choices].some((choice) => choice.checked)) {
            if (n > choices.length) {
                return false;
            }
            choices[n - 1].checked = true;
            choices[n - 1].dispatchEvent(new Event('change', { bubbles: true }));
            const rest = [...document.querySelectorAll('[data-row]')].find((r) => !r.querySelector('input:checked'));
            if (!rest) {
                document.querySelector('[data-key=enter]')?.focus();
            }
            return true;
        }
    }
    return false;
}
