import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { LimbCourse } from './bench/LimbCourse';
import { OldWounds } from './bench/OldWounds';
import type { Edit, Limb } from './bench/queries';
import { Choose } from './shared/Choose';
import { Select } from './shared/plain';
import { Segments } from './shared/Segments';
import { answer, show } from './testing.test-data';

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
