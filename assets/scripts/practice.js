/** A practice vehicle answers its sheet: what it shows is said and filled in, and recorded by whoever looks at it. */
export const practice = () => ({
    said: '',
    async answer() {
        const answer = await fetch(this.$root.dataset.url, { credentials: 'same-origin' });
        if (!answer.ok) {
            return;
        }
        const shows = await answer.json();
        this.said = shows.said;
        const form = this.$root.closest('form');
        const fill = (name, value) => {
            const field = form.querySelector(`[name="${CSS.escape(name)}"]`);
            if (field) {
                field.value = value;
                field.dispatchEvent(new Event('input', { bubbles: true }));
            }
        };
        fill('air', shows.air);
        for (const [row, typed] of Object.entries(shows.numbers)) {
            fill(`number[${row}]`, typed);
            fill(`since[${row}]`, '0');
        }
        for (const [row, word] of Object.entries(shows.words)) {
            const value = CSS.escape(word);
            form.querySelector(`input[name="word[${CSS.escape(row)}]"][value="${value}"]`)?.click();
            if (row === '') {
                form.querySelector(`button[name="word[0]"][value="${value}"]`)?.focus();
            }
        }
        for (const name of ['place', 'surface']) {
            const first = form.querySelector(`input[name=${name}]`);
            if (first && !form.querySelector(`input[name=${name}]:checked`)) {
                first.click();
            }
        }
    },
});
