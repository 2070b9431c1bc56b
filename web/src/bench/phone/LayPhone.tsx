import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import { Field } from '../../shared/Field';
import { compass } from '../../drawing/wood';
import { useKept } from '../../shared/kept';
import { useHere } from '../../shared/orchard';
import { useShown } from '../../shared/shown';
import { plainNumber } from '../../shared/units';
import { apart, corrected, mostApart, readingsWanted, together, type Lie } from './lay';
import { declinationAt } from './north';
import { askForSensor, useLie, wantsAsking } from './sensor';

const StandIn = lazy(() => import('./StandIn'));

interface Props {
  limb: string;
  busy: boolean;
  onTake: (lie: Lie) => void;
}

/** Lay the phone along a limb, its top toward the tip: the angle and the direction, as the mean of three readings. */
export default function LayPhone({ limb, busy, onTake }: Props) {
  const { orchard } = useHere();
  const { today } = useShown();
  const [on, setOn] = useState(!wantsAsking());
  const [denied, setDenied] = useState(false);
  const [playing, setPlaying] = useState(false);
  const [readings, setReadings] = useState<Lie[]>([]);
  const [offset, setOffset] = useKept('phone-offset', 0);
  const lie = useLie(on);
  const site = orchard.site;
  const declination = site ? declinationAt(site.lat, site.lon, today) : 0;
  const now = lie && corrected(lie, { declination, offset });
  const all = together(readings);
  const steady = all && all.spread.angle <= mostApart.angle && all.spread.azimuth <= mostApart.azimuth;
  return (
    <div className="layphone">
      <p className="sm">
        Lay the phone along {limb}, its top toward the tip, away from wire and tools. Read three times, lifting it in
        between.
      </p>
      {!on && (
        <Button
          variant="outlined"
          onClick={() =>
            void askForSensor().then((yes) => {
              setOn(yes);
              setDenied(!yes);
            })
          }
        >
          Let the phone tell how it lies
        </Button>
      )}
      {denied && (
        <p className="over">The browser keeps its sensor to itself: allow motion for this page, or type the numbers.</p>
      )}
      {!now && (
        <p role="status">
          {on &&
            `This device tells nothing of how it lies${window.isSecureContext ? '' : ': its browser does so over https alone'}. `}
          <button
            type="button"
            className="plain"
            onClick={() => {
              setPlaying(true);
              setOn(true);
            }}
          >
            Play a phone
          </button>
        </p>
      )}
      {playing && (
        <Suspense>
          <StandIn />
        </Suspense>
      )}
      {now && (
        <>
          <p className="num" aria-label="Now">
            {Math.round(now.angle)}° from vertical, {compass(now.azimuth)} ({Math.round(now.azimuth)}°)
          </p>
          <p className="heldacts">
            <Button
              variant="contained"
              disabled={readings.length >= readingsWanted}
              onClick={() => setReadings([...readings, now])}
            >
              Read {Math.min(readings.length + 1, readingsWanted)} of {readingsWanted}
            </Button>
            {readings.length > 0 && <Button onClick={() => setReadings([])}>Begin anew</Button>}
          </p>
        </>
      )}
      {all && (
        <p role="status">
          Mean of {readings.length}: <b>{Math.round(all.mean.angle)}°</b> from vertical, give or take{' '}
          {all.spread.angle.toFixed(0)}; direction <b>{Math.round(all.mean.azimuth)}°</b>, give or take{' '}
          {all.spread.azimuth.toFixed(0)}.{' '}
          {readings.length >= readingsWanted && !steady && (
            <span className="over">They lie too far apart to be one limb: begin anew.</span>
          )}
        </p>
      )}
      {all && readings.length >= readingsWanted && (
        <Button
          variant="contained"
          disabled={busy || !steady}
          onClick={() => {
            onTake({ azimuth: Math.round(all.mean.azimuth) % 360, angle: Math.round(all.mean.angle) });
            setReadings([]);
          }}
        >
          Take it for {limb}
        </Button>
      )}
      {now && (
        <Calibrate raw={corrected(lie, { declination, offset: 0 }).azimuth} offset={offset} onOffset={setOffset} />
      )}
      <p className="q sm">
        North of the compass is corrected by {declination.toFixed(1)}° for this place
        {Math.abs(offset) >= 0.5 ? ` and ${offset.toFixed(0)}° for this phone` : ''}.
      </p>
    </div>
  );
}

/** Against a wall whose direction is known, once for a phone. */
function Calibrate({ raw, offset, onOffset }: { raw: number; offset: number; onOffset: (o: number) => void }) {
  const [wall, setWall] = useState('');
  const known = plainNumber(wall);
  const fits = known >= 0 && known <= 360;
  return (
    <details>
      <summary>Check the compass against a wall</summary>
      <p className="sm">
        Lay the phone along a wall whose direction you know, from a plan or by the sun at noon, and type that direction.
      </p>
      <div className="pair">
        <Field
          size="small"
          label="The wall runs toward, degrees"
          value={wall}
          error={wall !== '' && !fits}
          helperText={wall !== '' && !fits ? '0 to 360' : ' '}
          onChange={(e) => setWall(e.target.value)}
        />
        <Button variant="outlined" disabled={!fits} onClick={() => onOffset(apart(known, raw))}>
          Set it
        </Button>
        {offset !== 0 && <Button onClick={() => onOffset(0)}>Forget it</Button>}
      </div>
    </details>
  );
}
