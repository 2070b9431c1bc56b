import { Trouble } from '../shared/Trouble';
import type { useSeen, useUnseen } from './season';

interface Props {
  says: string; // what was logged; none: nothing to tell
  seen: ReturnType<typeof useSeen>;
  back: ReturnType<typeof useUnseen>;
}

/** What a tap logged, the way to take it back, and what went wrong with either. */
export function TakeBack({ says, seen, back }: Props) {
  const error = seen.error ?? back.error;
  return (
    <>
      {says && seen.data && seen.data.length > 0 && !back.isSuccess && (
        <p className="sm" role="status">
          {says}{' '}
          <button type="button" className="plain" disabled={back.isPending} onClick={() => back.mutate(seen.data)}>
            Take it back
          </button>
        </p>
      )}
      {error && <Trouble error={error} holds="What was logged before stands as it was." />}
    </>
  );
}
