import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';

const beat = 1_000;

/** 60 beats a minute, heard and felt, as the drills for pace say. Off until it is asked for. */
export function Metronome() {
  const [isOn, setIsOn] = useState(false);
  useEffect(() => {
    if (!isOn) return;
    const audio = new AudioContext();
    const tick = () => {
      const tone = audio.createOscillator();
      const volume = audio.createGain();
      tone.frequency.value = 880;
      volume.gain.setValueAtTime(0.25, audio.currentTime);
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.08);
      tone.connect(volume).connect(audio.destination);
      tone.start();
      tone.stop(audio.currentTime + 0.09);
      if ('vibrate' in navigator) navigator.vibrate(20);
    };
    tick();
    const timer = setInterval(tick, beat);
    return () => {
      clearInterval(timer);
      void audio.close();
    };
  }, [isOn]);
  return (
    <Button aria-pressed={isOn} onClick={() => setIsOn((on) => !on)} sx={{ minHeight: 56, ml: -1.25 }}>
      {isOn ? 'Stop metronome' : 'Metronome, 60 a minute'}
    </Button>
  );
}
