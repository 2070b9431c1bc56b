import { useCallback, useMemo } from 'react';
import type { Act, Hand } from './hand';
import { useCarry, useEdits, useSketch, useUndoMap, type Bench, type Edit } from './queries';
import { goingOf } from './slip/going';
import type { Slip } from './slip/queries';

/** What stands beside the tree. */
export type Side = 'slip' | 'map' | 'load';

/** Degrees a press of a key walks round the tree. */
export const turnBy = 15;

/** A tree of an orchard on a day. */
export interface Which {
  slug: string;
  id: string;
  day: string;
}

/** What a person can write to the map, and what came of it. */
export function useWrites(which: Which, bench: Bench) {
  const sketch = useSketch(which);
  const edits = useEdits(which);
  const undo = useUndoMap(which);
  const carry = useCarry(which);
  const revision = bench.revision?.revision ?? 0;
  const busy = sketch.isPending || edits.isPending || undo.isPending || carry.isPending;
  const { mutate } = edits;
  const edit = useCallback(
    (list: Edit[], written?: () => void) => {
      mutate({ based_on: revision, edits: list }, { onSuccess: () => written?.() });
    },
    [mutate, revision],
  );
  return {
    edit,
    busy,
    revision,
    sketch,
    carry: () => carry.mutate(revision),
    takeBack: () => {
      if (bench.can_undo && !busy) undo.mutate(revision);
    },
    trouble: edits.error ?? undo.error ?? carry.error ?? sketch.error,
  };
}

/** A slip as it is drawn on the tree: what goes, and where the cuts stand. */
export function useMarked(bench: Bench, slip: Slip | undefined) {
  const marked = slip && !slip.predicted ? slip : undefined;
  const { limbs, going } = useMemo(() => goingOf(bench.limbs, marked), [bench.limbs, marked]);
  const cuts = useMemo(
    () =>
      marked?.steps.map((s, k, list) => ({
        n: s.n,
        mark: list.findIndex((o) => o.mark === s.mark) === k ? s.mark : '', // one number a group
        limb: s.cut.limb,
        cm: s.cut.at_cm,
        taken: s.state === 'taken',
      })),
    [marked],
  );
  return { marked, limbs, going, cuts };
}

/** What every view of the bench stands on. */
export interface At {
  which: Which;
  bench: Bench;
  hand: Hand;
  put: (a: Act) => void;
  /** The tree of a later day is shown: it is looked at, not corrected. */
  predicted: boolean;
  phone: boolean;
  choose: (limb: string) => void;
  writes: ReturnType<typeof useWrites>;
}

export type Drawn = ReturnType<typeof useMarked>;
