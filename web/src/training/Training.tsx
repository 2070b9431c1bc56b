import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { StakeLabel } from '../drawing/StakeLabel';
import { useBench } from '../bench/queries';
import { SegmentRow } from '../shared/Segments';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { BendPanel } from './BendPanel';
import { Elevation } from './Elevation';
import { FrameSteps } from './FrameSteps';
import { MainLimbsPanel } from './MainLimbs';
import { NotchPanel } from './NotchPanel';
import { PlantingDay } from './Planting';
import { useBend, useSay, useTraining, type BendAsked, type Which } from './queries';
import { PutUp } from './PutUp';
import { StillOn } from './StillOn';
import { Grafts, Trials } from './Trials';
import { WallSide, WallView } from './Wall';
import css from './training.module.css';

/** A tree in training: its way to the frame, its limbs chosen and bent, its wires, what is still on it. */
export default function Training() {
  const { orchard } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const which: Which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  return <Trained key={id} which={which} />;
}

function Trained({ which }: { which: Which }) {
  const { orchard, plan } = useHere();
  const training = useTraining(which);
  const bench = useBench(which);
  const [asked, setAsked] = useState<BendAsked>();
  const say = useSay(which);
  const data = training.data;
  const first = data?.bends.find((b) => b.verdict !== 'leave' && b.device !== 'none' && !b.rig) ?? data?.bends[0];
  const limb = asked?.limb ?? first?.limb;
  const bend = useBend(which, asked);
  const shown = bend.data ?? data?.bends.find((b) => b.limb === limb);
  if (training.error && !data)
    return (
      <div className="page">
        <Trouble error={training.error} />
        <Link to={`/${orchard.slug}/trees`}>To the trees</Link>
      </div>
    );
  if (!data) return <p className="page q">Looking at its frame.</p>;
  const said = say.isPending ? say.variables : data.words; // shown at once, before it is kept
  const tree = plan?.trees.find((t) => t.id === which.id);
  const limbs = bench.data?.mapped ? bench.data.limbs : [];
  const choose = (id: string) => setAsked({ limb: id });
  return (
    <div className={css.training}>
      <FrameSteps training={data} />
      <div className={`${css.stage} stage`}>
        <header className="benchhead">
          <StakeLabel code={tree?.code ?? ''} look="full" />
          <h1>
            {tree?.kind_name ?? ''} {tree?.name ? `‘${tree.name}’` : ''}
          </h1>
          <p className="sm q">
            {data.form_name}
            {data.age < 99 ? `, year ${String(data.age)}` : ''}
            {data.stands > 0 && data.age < data.stands ? `; its frame stands in year ${String(data.stands)}` : ''}
          </p>
          <SegmentRow nav label="Cut or train">
            <Link to={`/${orchard.slug}/trees/${which.id}`}>Cut</Link>
            <Link to={`/${orchard.slug}/trees/${which.id}/training`} aria-current="page">
              Train
            </Link>
          </SegmentRow>
        </header>
        {data.says.map((s) => (
          <p key={s} className="sm">
            {s}
          </p>
        ))}
        {data.planting && <PlantingDay planting={data.planting} treeId={which.id} which={which} />}
        {data.wall ? (
          <WallView wall={data.wall} limbs={limbs} rigs={data.rigs} />
        ) : (
          !data.planting &&
          limbs.length > 0 && (
            <Elevation
              limbs={limbs}
              bend={shown}
              candidates={data.choice?.candidates}
              reachCm={data.reach_cm}
              onChoose={choose}
              aimDeg={asked?.limb === limb ? asked?.aim_deg : undefined}
              onAim={(aim_deg) => limb && setAsked({ ...(asked?.limb === limb ? asked : {}), limb, aim_deg })}
            />
          )
        )}
        {limbs.length === 0 && !data.planting && (
          <div className="empty">
            <p>
              No map of this tree yet: <Link to={`/${orchard.slug}/trees/${which.id}?side=map`}>sketch it first</Link>,
              then its limbs can be chosen and bent.
            </p>
          </div>
        )}
        <StillOn rigs={data.rigs} which={which} day={which.day} />
        <PutUp which={which} wires={data.wall?.wires_cm ?? []} rigs={data.rigs} />
      </div>
      <div className={`side ${css.trainside}`}>
        {data.wall ? (
          <WallSide
            wall={data.wall}
            marks={said.marks}
            onMarks={(marks) => say.mutate({ ...said, marks })}
            error={say.error}
          />
        ) : (
          <>
            {shown && !data.planting && (
              <BendPanel
                key={shown.limb}
                bend={shown}
                late={asked !== undefined && (bend.isPlaceholderData || bend.isLoading)}
                others={data.bends}
                even={data.even}
                which={which}
                asked={asked?.limb === shown.limb ? asked : { limb: shown.limb }}
                onAsk={setAsked}
                error={bend.error}
              />
            )}
            {data.choice && (
              <MainLimbsPanel
                choice={data.choice}
                marks={said.marks}
                onMarks={(marks) => say.mutate({ ...said, marks })}
                error={say.error}
                chosen={limb}
                onChoose={choose}
              />
            )}
          </>
        )}
        {data.notch && (
          <NotchPanel
            notch={data.notch}
            seen={said.buds}
            onSeen={(buds) => say.mutate({ ...said, buds })}
            error={say.error}
          />
        )}
        {data.graft && (
          <section aria-label="Wood for grafting">
            <h2>Wood for grafting</h2>
            <ul className="bare sm">
              {data.graft.says.map((s) => (
                <li key={s}>{s}</li>
              ))}
              {data.graft.shoots.slice(0, 6).map((s) => (
                <li key={s.limb}>
                  <b>{s.limb}</b>: {s.pieces === 1 ? '1 piece' : `${String(s.pieces)} pieces`}
                </li>
              ))}
            </ul>
          </section>
        )}
        <Trials trials={data.trials} />
        <Grafts grafts={data.grafts} />
        <ul className="bare sm q" aria-label="Safety">
          {data.safety.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      </div>
    </div>
  );
}
