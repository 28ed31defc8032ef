/** Two short tones, made here: no file is played. */
export function chime() {
  const sound = new AudioContext()
  const loud = sound.createGain()
  loud.gain.value = 0.2
  loud.connect(sound.destination)
  for (const [number, pitch] of [660, 880].entries()) {
    const tone = sound.createOscillator()
    tone.frequency.value = pitch
    tone.connect(loud)
    tone.start(sound.currentTime + number * 0.3)
    tone.stop(sound.currentTime + number * 0.3 + 0.25)
    if (number) tone.onended = () => void sound.close()
  }
}
