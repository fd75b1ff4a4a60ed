/**
 * What stands before a sheet is confirmed on the sheet: the shop takes it in, and what lies behind it opens where it
 * is. Where the shop does not take it, the form goes as every other does and the shop says why.
 */
export function gates() {
    const section = document.querySelector('[data-gates]');
    const behind = document.querySelector('[data-behind-gates]');
    if (!section || !behind) {
        return;
    }
    document.addEventListener('submit', async (event) => {
        const form = event.target;
        const done = form.querySelector('[data-gate-done]');
        if (event.defaultPrevented || !section.contains(form) || !done) {
            return;
        }
        event.preventDefault();
        const entry = form.elements.entry.value;
        try {
            const answer = await fetch(form.action, {
                method: 'POST',
                body: new FormData(form),
                redirect: 'manual',
                credentials: 'same-origin',
            });
            if (answer.type !== 'opaqueredirect' && answer.status !== 303) {
                throw new Error('not taken');
            }
        } catch {
            HTMLFormElement.prototype.submit.call(form); // the same entry: sent twice it is one
            return;
        }
        document.getElementById('slow')?.setAttribute('hidden', '');
        const news = document.querySelector('.news');
        if (news) {
            news.dataset.head = String(Number(news.dataset.head) + 1);
        }
        const said = done.content.cloneNode(true);
        said.querySelector('[name=cancels]').value = entry;
        const gate = form.closest('.gate');
        (gate.querySelectorAll('[data-gate-done]').length > 1 ? form : gate).replaceWith(said);
        if (!section.querySelector('.gate')) {
            section.querySelector('h2')?.setAttribute('hidden', '');
            behind.hidden = false;
            behind.tabIndex = -1;
            behind.focus({ preventScroll: true });
            behind.scrollIntoView({ block: 'start' });
        }
    });
}
