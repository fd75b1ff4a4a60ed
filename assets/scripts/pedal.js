/** What a finger between pedal and floor takes (mm; typical of a gloved hand, plausible 15 to 22). */
const FINGER_MM = 18;

/**
 * Held while the foot holds: runs on the device's monotonic clock, takes the ruler at one second and at every second
 * that the sheet asks for, and writes how much deeper it stands.
 */
export const pedalLog = () => ({
    on: false,
    face: '0.0',
    say: '',
    depth: 0,
    fingers: '',
    most: 0,
    first: null,
    started: 0,
    timer: 0,
    trace: '',
    marks: [],
    init() {
        this.say = this.words('idle');
        this.marks = this.$root.dataset.seconds.split(' ').map(Number);
        this.draw();
    },
    words(key) {
        return this.$root.querySelector('[data-idle]').dataset[key];
    },
    move() {
        this.depth = Number(this.$event.target.value);
        const mm = this.depth * Number(this.words('mm'));
        this.fingers = mm > 0 ? this.words('fingers').replace('#', (mm / FINGER_MM).toFixed(1)) : '';
    },
    /** Fewer fingers fit below a pedal that stands deeper: the first that is tapped is where it began. */
    byFingers() {
        const left = Number(this.$event.target.value);
        this.most = Math.max(this.most, left);
        const ruler = this.$root.querySelector('.ruler input');
        ruler.value = ((this.most - left) * FINGER_MM) / Number(this.words('mm'));
        ruler.dispatchEvent(new Event('input'));
    },
    press() {
        if (this.on) {
            return;
        }
        this.on = true;
        this.first = null;
        this.most = 0;
        this.started = performance.now();
        this.say = this.words('on');
        this.timer = setInterval(() => this.tick(), 100);
    },
    release() {
        clearInterval(this.timer);
        this.on = false;
        this.say = this.words('idle');
    },
    tick() {
        const now = (performance.now() - this.started) / 1000;
        this.face = now.toFixed(1);
        if (this.first === null && now >= 1) {
            this.first = this.depth;
            this.say = this.words('mark');
        }
        for (const second of this.marks) {
            const field = this.field(second);
            if (now >= second && field.value === '' && this.first !== null) {
                field.value = String(Math.round(100 * Math.max(0, this.depth - this.first)) / 100);
                globalThis.navigator.vibrate?.(120);
                this.draw();
            }
        }
        if (now > this.marks[this.marks.length - 1] + 1) {
            this.release();
        }
    },
    field(second) {
        return this.$root.querySelector(`[data-second="${second}"]`);
    },
    draw() {
        const [x, perSecond, y, perUnit] = this.$root.dataset.scale.split(' ').map(Number);
        const points = [[1, 0]];
        for (const second of this.marks) {
            const typed = this.field(second)?.value.replace(',', '.') || '';
            if (typed !== '' && !Number.isNaN(Number(typed))) {
                points.push([second, Number(typed)]);
            }
        }
        const drawn = points.map(([second, deep]) => `${x + perSecond * second} ${y + perUnit * deep}`);
        this.trace = points.length > 1 ? `M${drawn.join('L')}` : '';
    },
});
