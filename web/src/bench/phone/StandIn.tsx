import { useEffect, useState } from 'react';

/** A phone to play with where there is none: it tells the page how it lies, as a phone's browser does. */
export default function StandIn() {
  const [angle, setAngle] = useState(45);
  const [azimuth, setAzimuth] = useState(90);
  useEffect(() => {
    const told = { alpha: (360 - azimuth) % 360, beta: 90 - angle, gamma: 0, absolute: true };
    const e = new Event('deviceorientationabsolute');
    window.dispatchEvent(Object.assign(e, told));
  }, [angle, azimuth]);
  return (
    <fieldset>
      <legend>A played phone</legend>
      <label>
        Angle from vertical {angle}°
        <input type="range" min={0} max={170} value={angle} onChange={(e) => setAngle(Number(e.target.value))} />
      </label>
      <label>
        Compass {azimuth}°
        <input type="range" min={0} max={359} value={azimuth} onChange={(e) => setAzimuth(Number(e.target.value))} />
      </label>
    </fieldset>
  );
}
