import Button from '@mui/material/Button';
import type { At } from './at';
import { Files } from './Files';
import { History } from './History';
import { LimbCourse } from './LimbCourse';
import { LimbList } from './LimbList';
import { LimbPanel } from './LimbPanel';
import { Oddities } from './Oddities';
import { QuickLine } from './QuickLine';
import { FindingsOf } from './Stage';

/** The map beside the tree: the limb in hand, a line to be read, all limbs, the files it comes from and goes to. */
export function MapSide(p: At & { shown: boolean }) {
  const { which, bench, hand, put, predicted, phone, choose, writes, shown } = p;
  const limb = bench.limbs.find((l) => l.id === hand.limb);
  return (
    <>
      {shown && bench.mapped && !hand.anew && (
        <>
          {limb && !predicted && <LimbCourse which={which} limb={limb.id} revision={writes.revision} />}
          {limb && !predicted && (
            <LimbPanel
              key={limb.id}
              limb={limb}
              limbs={bench.limbs}
              busy={writes.busy}
              rubbing={hand.rubbing}
              onRubbing={(rubbing) => put({ do: 'rubbing', rubbing })}
              onEdit={writes.edit}
              onChoose={choose}
              onBuds={() => put({ do: 'strip', strip: true })}
            />
          )}
          {!predicted && (
            <QuickLine
              key={hand.drawn}
              which={which}
              revision={writes.revision}
              selected={hand.limb}
              draft={hand.drawn}
              busy={writes.busy}
              onEdit={(list, written) =>
                writes.edit(list, () => {
                  written();
                  put({ do: 'written' });
                })
              }
            />
          )}
          {phone && <FindingsOf {...p} />}
          <LimbList limbs={bench.limbs} chosen={hand.limb} onChoose={choose} />
        </>
      )}
      {shown && <Oddities list={bench.warnings} onChoose={choose} />}
      {shown && bench.mapped && !hand.anew && (
        <div className="acts">
          <Button size="small" onClick={() => put({ do: 'anew', anew: true })}>
            Sketch it anew
          </Button>
        </div>
      )}
      {(shown || !bench.mapped) && (
        <>
          <Files which={which} revision={writes.revision} mapped={bench.mapped} />
          <History bench={bench} which={which} />
        </>
      )}
    </>
  );
}
