import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import type { ViewOf } from './BenchHead';
import { Opened } from './Opened';
import { useAfter, type Asking, type Season } from './slip/queries';
import { useBench } from './queries';

/** One tree on the bench: stand back, walk round it, read its faults and its buds, correct its map. */
export default function Bench() {
  const { orchard } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  const [view, setView] = useState<ViewOf>({ ahead: 0, cut: false });
  const [season, setSeason] = useState<Season>();
  const now = useBench(which);
  const asking: Asking = { ...which, revision: now.data?.revision?.revision ?? 0, season };
  const later = useBench({ ...which, id: view.ahead > 0 && !view.cut ? id : '' }, view.ahead);
  const after = useAfter(asking, view.ahead, view.cut && now.data?.mapped === true);
  const asked = view.cut ? after : later;
  const bench = (view.cut || view.ahead > 0) && asked.data ? asked : now;
  if (bench.error && !bench.data)
    return (
      <div className="page">
        <Trouble error={bench.error} />
        <Link to={`/${orchard.slug}/trees`}>To the trees</Link>
      </div>
    );
  if (!bench.data) return <p className="page q">Drawing the tree.</p>;
  return (
    <Opened
      key={id}
      which={which}
      bench={bench.data}
      asking={asking}
      view={view}
      onView={setView}
      onSeason={setSeason}
      trouble={asked.error}
    />
  );
}
