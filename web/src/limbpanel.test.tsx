import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { Counted, CutOff, Decided } from './bench/limbNotes';
import { LimbCourse } from './bench/LimbCourse';
import { OldWounds } from './bench/OldWounds';
import type { Edit, Limb } from './bench/queries';
import { Choose } from './shared/Choose';
import { Select } from './shared/plain';
import { Segments } from './shared/Segments';
import { answer, drawnLimb, meta, show } from './testing.test-data';

const limb = { id: 'S1', length_cm: 120, wounds: [{ at_cm: 20, d_mm: 60, year: 2020 }] } as unknown as Limb;

describe('old cuts on a limb', () => {
  const opened = async (units: 'metric' | 'us' = 'metric') => {
    const onEdit = vi.fn<(e: Edit[]) => void>();
    show(<OldWounds l={limb} busy={false} onEdit={onEdit} />, units);
    await userEvent.click(screen.getByText('Old cuts, 1 not closed'));
    return onEdit;
  };

  it('are told, and one that has closed is said to be', async () => {
    const onEdit = await opened();
    expect(screen.getByText(/60 mm wide, 20 cm from its base, of 2020: open/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'It has closed' }));
    expect(onEdit).toHaveBeenCalledWith([
      { op: 'set', id: 'S1', limb: { id: 'S1', wounds: [{ at_cm: 20, d_mm: 60, year: 2020, closed: true }] } },
    ]);
  });

  it('are put on the map where they are, and not beyond the limb', async () => {
    const onEdit = await opened('us');
    const put = screen.getByRole('button', { name: 'Put it on the map' });
    await userEvent.type(screen.getByLabelText('an old cut at, in'), '60');
    await userEvent.type(screen.getByLabelText('its width, in'), '1');
    expect(put).toBeDisabled();
    await userEvent.clear(screen.getByLabelText('an old cut at, in'));
    await userEvent.type(screen.getByLabelText('an old cut at, in'), '10');
    await userEvent.click(put);
    const sent = onEdit.mock.calls[0]?.[0][0]?.limb?.wounds?.[1];
    expect(sent?.at_cm).toBeCloseTo(25.4);
    expect(sent?.d_mm).toBeCloseTo(25.4);
  });
});

describe('what is written down of a limb', () => {
  const s1 = drawnLimb('S1', [0, 60, 120]);

  it('counts spurs on a stretch in the person’s units, with a decimal comma, or notes it bare', async () => {
    const onEdit = vi.fn<(e: Edit[]) => void>();
    show(<Counted l={s1} busy={false} onEdit={onEdit} />, 'us');
    await userEvent.click(screen.getByRole('button', { name: /Count spurs/ }));
    await userEvent.type(screen.getByLabelText('From, in'), '2,5');
    expect(screen.getByLabelText('From, in')).toHaveValue('2,5');
    await userEvent.type(screen.getByLabelText('To, in'), '2');
    expect(screen.getByRole('button', { name: 'Write it down' })).toBeDisabled(); // it ends before it begins
    await userEvent.type(screen.getByLabelText('To, in'), '0');
    await userEvent.type(screen.getByLabelText('Spurs'), '7');
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(onEdit).toHaveBeenLastCalledWith([
      { op: 'set', id: 'S1', limb: { id: 'S1', spurs: [{ from_cm: 6.35, to_cm: 50.8, count: 7 }] } },
    ]);
    await userEvent.click(screen.getByRole('button', { name: /Count spurs/ }));
    expect(screen.getByLabelText('From, in')).toHaveValue(''); // the last stretch is not in the way
    await userEvent.type(screen.getByLabelText('From, in'), '20');
    await userEvent.type(screen.getByLabelText('To, in'), '30');
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(onEdit).toHaveBeenLastCalledWith([
      { op: 'set', id: 'S1', limb: { id: 'S1', gaps: [{ from_cm: 50.8, to_cm: 76.2 }] } },
    ]);
  });

  it('says where it was cut off, and writes nothing of what is no number', async () => {
    const onEdit = vi.fn<(e: Edit[]) => void>();
    show(<CutOff l={s1} busy={false} onEdit={onEdit} />);
    await userEvent.click(screen.getByRole('button', { name: 'It was cut off' }));
    const at = screen.getByLabelText('Cut at, cm from its base');
    expect(at).toHaveValue('0');
    await userEvent.clear(at);
    await userEvent.type(at, 'here');
    expect(screen.getByRole('button', { name: 'Write it down' })).toBeDisabled();
    await userEvent.clear(at);
    await userEvent.type(at, '42,5');
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(onEdit).toHaveBeenCalledWith([{ op: 'cut', id: 'S1', at_cm: 42.5 }]);
  });

  it('keeps the day and the reason of a decision once each is left, and drops a day that is emptied', async () => {
    const onEdit = vi.fn<(e: Edit[]) => void>();
    const l = { ...s1, state: { kind: meta.limb_states[0]?.kind, due: '2027-08-01', reason: '' } } as Limb;
    show(
      <Decided
        limb={l}
        limbs={[l]}
        busy={false}
        rubbing={false}
        onRubbing={vi.fn()}
        onChoose={vi.fn()}
        onBuds={vi.fn()}
        onEdit={onEdit}
      />,
    );
    await userEvent.click(screen.getByLabelText('Why'));
    await userEvent.tab();
    expect(onEdit).not.toHaveBeenCalled(); // it was looked at, not changed
    await userEvent.type(screen.getByLabelText('Why'), 'shades S2');
    await userEvent.tab();
    expect(onEdit.mock.lastCall?.[0][0]?.state).toEqual({
      kind: l.state?.kind,
      due: '2027-08-01',
      reason: 'shades S2',
    });
    await userEvent.clear(screen.getByLabelText('Look again on'));
    await userEvent.tab();
    expect(onEdit.mock.lastCall?.[0][0]?.state).toEqual({ kind: l.state?.kind, reason: 'shades S2' });
  });
});

describe('a choice', () => {
  const all = [
    { value: 'a', name: 'first' },
    { value: 'b', name: 'second' },
  ] as const;

  it('side by side shows which is taken and gives the one pressed', async () => {
    const taken = vi.fn();
    show(<Segments label="Which" all={all} value="a" onChange={taken} />);
    expect(screen.getByRole('button', { name: 'first', pressed: true })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'second', pressed: false }));
    expect(taken).toHaveBeenCalledWith('b');
  });

  it('from a list gives one of the list, and names what nothing means', async () => {
    const taken = vi.fn();
    show(<Choose label="Which" all={[{ value: '', name: 'neither' }, ...all]} value="" onChange={taken} />);
    await userEvent.click(screen.getByRole('combobox', { name: 'Which' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['neither', 'first', 'second']);
    await userEvent.click(screen.getByRole('option', { name: 'second' }));
    expect(taken).toHaveBeenCalledWith('b');
  });

  it('in a row of a table is a plain control', async () => {
    const taken = vi.fn();
    show(<Select aria-label="Which" all={all} value="a" onChange={taken} />);
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Which' }), 'second');
    expect(taken).toHaveBeenCalledWith('b');
  });
});

describe('the years of a limb', () => {
  const shoot = (more: object) => ({
    'GET /api/orchards/here/trees/t1/map/limbs/S1': {
      limb: 'S1',
      length_cm: 120,
      from_cm: 0,
      known: false,
      says: '',
      outward_deg: 0,
      nodes: [],
      rings: [],
      years: [
        {
          date: '2027-02-11',
          length_cm: 120,
          laterals_per_m: 2,
          fruit_buds_per_m: 4,
          counted: false,
          tip_deg: 78,
          d_mm: 35,
          ring_cm: 20,
        },
        {
          date: '2025-02-01',
          length_cm: 90,
          laterals_per_m: 2,
          fruit_buds_per_m: 4,
          counted: false,
          tip_deg: 55,
          d_mm: 30,
          ring_cm: 30,
        },
      ],
      ...more,
    },
  });
  const which = { slug: 'here', id: 't1', day: '2027-02-20' };

  it('are told by the maps kept, and a limb that sinks is named', async () => {
    answer(shoot({ course: 'S1 sinks: its end turned from 55 to 78 degrees from vertical since 2025.' }));
    show(<LimbCourse which={which} limb="S1" revision={3} />);
    expect(await screen.findByRole('status')).toHaveTextContent('S1 sinks');
    await userEvent.click(screen.getByText('Over the years'));
    expect(screen.getByRole('row', { name: /2025-02 55° 30 mm 30 cm/ })).toBeInTheDocument();
  });

  it('are not told of one winter', async () => {
    const sent = answer(shoot({ years: [] }));
    const { container } = show(<LimbCourse which={which} limb="S1" revision={3} />);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(container).toBeEmptyDOMElement();
  });
});
