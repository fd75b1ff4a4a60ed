const EVERY_MS = 250;
const VEHICLE = /^\/vehicles\/[0-9a-f-]{36}$/;

/** Reads a vehicle's printed label with the camera, where the browser itself can; the search stands beside it. */
export const label = () => ({
    able: 'BarcodeDetector' in globalThis && Boolean(navigator.mediaDevices?.getUserMedia),
    said: '',
    stream: null,
    timer: 0,
    async open() {
        const dialog = this.$root.querySelector('dialog');
        this.said = '';
        dialog.showModal();
        try {
            this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
        } catch {
            this.said = this.$root.dataset.refused;
            return;
        }
        const video = dialog.querySelector('video');
        video.srcObject = this.stream;
        await video.play();
        const detector = new globalThis.BarcodeDetector({ formats: ['qr_code'] });
        this.timer = setInterval(async () => {
            const codes = await detector.detect(video).catch(() => []);
            for (const code of codes) {
                this.read(code.rawValue);
            }
        }, EVERY_MS);
    },
    /** Only a vehicle's page of this very shop is opened, whatever a label says. */
    read(text) {
        const path = URL.canParse(text) ? new URL(text).pathname : '';
        if (VEHICLE.test(path)) {
            this.shut();
            globalThis.location.assign(path);
        } else {
            this.said = this.$root.dataset.other;
        }
    },
    shut() {
        clearInterval(this.timer);
        for (const track of this.stream?.getTracks() ?? []) {
            track.stop();
        }
        this.stream = null;
        this.$root.querySelector('dialog').close();
    },
});
