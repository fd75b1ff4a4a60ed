/** Reads the sentence so far back from the chosen tiles. */
export const intake = () => ({
    sentence: '…',
    pulls: true,
    placed: true,
    init() {
        this.say();
    },
    say() {
        const chosen = (name) => this.$root.querySelector(`input[name=${name}]:checked`);
        const text = (name) => chosen(name)?.closest('label').innerText.trim().toLowerCase() || '';
        const what = chosen('what')?.value;
        this.pulls = what === 'pulls';
        this.placed = what === undefined || ['drags', 'pulls', 'locks'].includes(what);
        const parts = [
            text('what'),
            this.placed ? text('where') : '',
            this.pulls && chosen('timing')?.value === 'first' ? text('timing') : '',
            chosen('pattern')?.value ? text('pattern') : '',
        ];
        this.sentence = parts.filter((part) => part !== '').join(', ') || '…';
    },
});
