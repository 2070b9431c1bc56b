import { Link } from 'react-router';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count } from '../shared/units';
import { useDevices } from './queries';
import { StillOn } from './StillOn';

/** All that is on in an orchard, by the days it has left. */
export default function Devices() {
  const { orchard } = useHere();
  const { settled } = useShown();
  const devices = useDevices(orchard.slug, settled);
  const list = devices.data ?? [];
  const over = list.filter((r) => r.over).length;
  const due = list.filter((r) => r.due && !r.over).length;
  return (
    <div className="page">
      <h1>What is still on</h1>
      <p>
        {count(list.length, 'device')} on {orchard.name}
        {over > 0 ? <b className="over">, {over} over its day</b> : ''}
        {due > 0 ? `, ${count(due, 'look')} due` : ''}. <Link to={`/${orchard.slug}/trees`}>To the trees</Link>
      </p>
      <Trouble error={devices.error} />
      {devices.data && <StillOn rigs={list} which={{ slug: orchard.slug, id: '', day: settled }} day={settled} trees />}
    </div>
  );
}
