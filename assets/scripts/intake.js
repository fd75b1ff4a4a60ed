/** Reads the sentence so far back from the chosen tiles. */
export const intake = () => ({
    sentence: '…',
    init() { this.say(); },
    say() {
        const chosen = (name) => this.$root.querySelector(`input[name=${name}]:checked`);
        const text = (name) => chosen(name)?.closest('label').innerText.trim().toLowerCase() || '';
        const needsPlace = ['drags', 'pulls'].includes(chosen('what')?.value);
        const parts = [text('what'), needsPlace ? text('where') : '', chosen('pattern')?.value ? text('pattern') : ''];
        this.sentence = parts.filter((part) => part !== '').join(', ') || '…';
    },
});
