const VIBRATION_MS = [500, 200, 500, 200, 500];
const EVERY_MS = 2500;
const TONES_HZ = [880, 660];
const TONE_S = 0.35;

/**
 * Sounds and shakes until it is ended, as far as the device allows: a page that nobody has touched yet may make no sound,
 * and not every device shakes.
 */
export function soundAlarm(): () => void {
  const audio = 'AudioContext' in globalThis ? new AudioContext() : undefined;
  const once = () => {
    if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(VIBRATION_MS);
    if (!audio) return;
    TONES_HZ.forEach((hz, place) => {
      const tone = new OscillatorNode(audio, { type: 'square', frequency: hz });
      tone.connect(new GainNode(audio, { gain: 0.25 })).connect(audio.destination);
      tone.start(audio.currentTime + place * TONE_S);
      tone.stop(audio.currentTime + (place + 1) * TONE_S);
    });
  };
  once();
  const again = setInterval(once, EVERY_MS);
  return () => {
    clearInterval(again);
    if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(0);
    void audio?.close();
  };
}
