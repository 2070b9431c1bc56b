import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Findings } from './bench/Findings';
import { bearingOf, SketchForm } from './bench/SketchForm';
import { QuickLine } from './bench/QuickLine';
import type { Finding, Sketch } from './bench/queries';
import { spread } from './drawing/labels';
import { TreeDrawing } from './drawing/TreeDrawing';
import { WalkRound } from './drawing/WalkRound';
import {
  along,
  compass,
  extent,
  fade,
  farFirst,
  fromAbove,
  nearest,
  place,
  ribbon,
  standingAt,
  stretches,
} from './drawing/wood';
import { answer, drawnLimb, show } from './testing.test-data';

const sheet = { scale: 1, x: 100, y: 200 };

const up = drawnLimb('T', [0, 0, 0, 2, 3, 0, 0, 100, 1, 1]);
const north = drawnLimb('N', [0, 0, 50, 1, 2, 0, 80, 90, 0.5, 1], { parent: 'T' });
const east = drawnLimb('E', [0, 0, 50, 1, 2, 80, 0, 90, 0.5, 1], { parent: 'T', source: 'estimated' });

describe('a tree drawn from its map', () => {
  test('east lies to the right of one who stands in the south, and to the left from the north', () => {
    expect(place([10, 0, 5], standingAt(180), sheet)).toEqual({ x: 110, y: 195 });
    expect(place([10, 0, 5], standingAt(0), sheet).x).toBeCloseTo(90);
    expect(place([10, 7, 5], fromAbove, sheet)).toEqual({ x: 110, y: 193 });
  });

  test('the limb farthest from the viewer is drawn first', () => {
    expect(farFirst([up, north], standingAt(180)).map((l) => l.id)).toEqual(['N', 'T']);
    expect(farFirst([up, north], standingAt(0)).map((l) => l.id)).toEqual(['T', 'N']);
    expect(fade(80, 80)).toBeCloseTo(0.44);
    expect(fade(-80, 80)).toBe(0);
  });

  test('a ribbon is as wide as the limb, never under 1.4 pixels, and closed', () => {
    expect(ribbon(up.stations, 0, 1, standingAt(180), sheet)).toBe('M98 200L99 100L101 100L102 200Z');
    const thin = ribbon(up.stations, 0, 1, standingAt(180), { ...sheet, scale: 0.1 });
    expect(thin).toMatch(/^M99\.3 200/);
  });

  test('wood changes its colour with its age, and dead wood has its own', () => {
    const l = drawnLimb('A', [0, 0, 0, 1, 3, 0, 0, 40, 1, 2, 0, 0, 80, 1, 1, 0, 0, 100, 1, 1], { dead_from_cm: 80 });
    expect(stretches(l, 'dormant').map((s) => s.tone)).toEqual(['old', 'two', 'dead']);
    expect(stretches(l, 'summer').map((s) => s.tone)).toEqual(['two', 'last', 'dead']);
  });

  test('the place nearest to a finger is found along the limb', () => {
    const hit = nearest(up.stations, { x: 103, y: 140 }, standingAt(180), sheet);
    expect(hit.cm).toBeCloseTo(60);
    expect(hit.px).toBeCloseTo(3);
    expect(along(up.stations, 25)).toEqual([0, 0, 25]);
    expect(extent([north]).radius).toBe(80);
  });

  test('letters keep their distance and stay in the frame', () => {
    const at = Array.from({ length: 12 }, (_, i) => ({ item: i, at: { x: 100 + (i % 2), y: 100 } }));
    const labels = spread(at, 100, { left: 10, right: 300, top: 10, bottom: 300 });
    for (const a of labels)
      for (const b of labels)
        if (a.item < b.item) expect(Math.hypot(a.label.x - b.label.x, a.label.y - b.label.y)).toBeGreaterThan(20);
  });

  test('each limb is an item with its numbers, chosen by key', async () => {
    const chosen = vi.fn();
    show(
      <TreeDrawing
        limbs={[up, north, east]}
        season="dormant"
        units="metric"
        findings={[]}
        bearing={180}
        above={false}
        width={400}
        height={300}
        reachCm={80}
        reachSays="Reach line 0.8 m"
        chosen=""
        scale={{ step: 50, says: (cm) => String(cm) }}
        onChoose={chosen}
      />,
    );
    expect(screen.getByRole('treeitem', { name: 'E, on T, 100 cm long, 20 mm thick, estimated' })).toBeVisible();
    screen.getByRole('treeitem', { name: /^T, stem/ }).focus();
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect(chosen).toHaveBeenCalledWith('N');
  });

  test('the dial turns by keys, a step of 5 degrees or of 45', () => {
    const turned = vi.fn();
    show(<WalkRound limbs={[up, north]} bearing={358} size={172} onTurning={vi.fn()} onTurn={turned} />);
    const dial = screen.getByRole('slider', { name: /Walk round/ });
    fireEvent.keyDown(dial, { key: 'ArrowRight' });
    fireEvent.keyDown(dial, { key: 'PageDown' });
    expect(turned.mock.calls).toEqual([[3], [313]]);
    expect(dial).toHaveAccessibleName('Walk round: where you stand');
  });
});

describe('the sketch', () => {
  const suggest = {
    species: 'apple',
    form: 'open-vase',
    age: 8,
    trunk_mm: 90,
    height_cm: 260,
    spread_cm: 240,
    scaffolds: 4,
    seed: 1,
  } as Sketch;

  test('a direction is a number or a point of the compass', () => {
    expect(['90', 'E', 'north-east', 'South West', 'nnw'].map(bearingOf)).toEqual([90, 90, 45, 225, 337.5]);
    expect(['up', '400', '-3'].map(bearingOf)).toEqual([undefined, undefined, undefined]);
    expect([0, 44, 359].map(compass)).toEqual(['N', 'NE', 'N']);
  });

  test('girth is turned into thickness, and the others follow the first round the trunk', async () => {
    const sent = vi.fn();
    show(<SketchForm suggest={suggest} busy={false} again={false} onSketch={sent} />);
    await userEvent.click(screen.getByRole('checkbox'));
    const girth = screen.getByRole('textbox', { name: 'Trunk, girth' });
    await userEvent.clear(girth);
    await userEvent.type(girth, '31.4');
    await userEvent.type(screen.getByRole('textbox', { name: 'The first points' }), 'E');
    await userEvent.click(screen.getByRole('button', { name: 'Sketch the tree' }));
    expect(sent).toHaveBeenCalledWith(expect.objectContaining({ trunk_mm: 99.9, azimuths: [90, 180, 270, 0] }));
  });

  test('inches give the same tree as centimetres, and what is no number is not sent', async () => {
    const sent = vi.fn();
    show(<SketchForm suggest={suggest} busy={false} again={false} onSketch={sent} />, 'us');
    const height = screen.getByRole('textbox', { name: 'Height' });
    await userEvent.clear(height);
    await userEvent.type(height, 'tall');
    expect(screen.getByRole('button', { name: 'Sketch the tree' })).toBeDisabled();
    await userEvent.clear(height);
    await userEvent.type(height, '100');
    await userEvent.click(screen.getByRole('button', { name: 'Sketch the tree' }));
    expect(sent).toHaveBeenCalledWith(expect.objectContaining({ height_cm: 254 }));
  });
});

test('a finding tells why it matters and where, and that it rests on estimates', async () => {
  const f: Finding = {
    letter: 'A',
    code: 'dead',
    name: 'dead wood',
    limb: 'S1',
    members: [],
    also: [],
    at_cm: 0,
    place: [0, 0, 50],
    step: 1,
    severity: 1,
    where: 'limb S1, from its base',
    says: 'all of it dead',
    why: 'It falls when it will.',
    source: 'pruning practice',
    estimated: true,
  };
  const chosen = vi.fn();
  show(<Findings findings={[f]} chosen="A" onChoose={chosen} />);
  expect(screen.getByText('It falls when it will.')).toBeVisible();
  expect(screen.getByText(/measure this limb to be sure/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: /dead wood/ }));
  expect(chosen).toHaveBeenCalledWith(f);
});

describe('a quick line', () => {
  const which = { slug: 'here', id: 't1', day: '2027-02-20' };

  test('what cannot be read is marked at its word, also after letters of more than one byte, and nothing is written', async () => {
    answer({
      'POST /api/orchards/here/trees/t1/map/line': {
        reads: [{ field: 'azimuth_deg', value: 90, start: 0, end: 1 }],
        faults: [{ start: 7, end: 13, given: 'wobbly', expected: 'a limb or place' }],
        edits: [],
      },
    });
    const written = vi.fn();
    show(<QuickLine which={which} revision={1} selected="" busy={false} onEdit={written} />);
    await userEvent.type(screen.getByRole('textbox', { name: 'Quick line' }), 'E 50° wobbly');
    expect(await screen.findByText('wobbly', { selector: 'mark' })).toBeVisible();
    expect(screen.getByText(/a limb or place expected here/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Write it on the map' })).toBeDisabled();
    await userEvent.keyboard('{Enter}');
    expect(written).not.toHaveBeenCalled();
  });

  test('what was read is told in the person’s units and written with Enter', async () => {
    const edits = [{ op: 'set', id: 'S1', limb: { id: 'S1', length_cm: 254 } }];
    answer({
      'POST /api/orchards/here/trees/t1/map/line': {
        reads: [{ field: 'length_cm', value: 254, start: 3, end: 11 }],
        faults: [],
        edits,
      },
    });
    const written = vi.fn();
    show(<QuickLine which={which} revision={1} selected="S1" busy={false} onEdit={written} />, 'us');
    await userEvent.type(screen.getByRole('textbox', { name: 'Quick line' }), 'S1 100 long');
    expect(await screen.findByText('100 in')).toBeVisible();
    await waitFor(() => expect(screen.getByRole('button', { name: 'Write it on the map' })).toBeEnabled());
    await userEvent.keyboard('{Enter}');
    expect(written).toHaveBeenCalledWith(edits, expect.any(Function));
    expect(screen.getByRole('textbox', { name: 'Quick line' })).toHaveValue('S1 100 long'); // kept until it is written
  });

  test('Enter writes the line that stands there, never the one that was read before it', async () => {
    const asked: string[] = [];
    const give: (() => void)[] = [];
    vi.stubGlobal('fetch', async (r: Request) => {
      const { line } = (await r.clone().json()) as { line: string };
      asked.push(line);
      await new Promise<void>((done) => give.push(done));
      const body = { reads: [], faults: [], edits: [{ op: 'set', id: line, limb: { id: line } }] };
      return new Response(JSON.stringify(body), { status: 200, headers: { 'Content-Type': 'application/json' } });
    });
    const written = vi.fn();
    show(<QuickLine which={which} revision={1} selected="S1" busy={false} onEdit={written} />);
    const field = screen.getByRole('textbox', { name: 'Quick line' });
    fireEvent.change(field, { target: { value: '90 long' } });
    await waitFor(() => expect(asked).toEqual(['90 long']));
    give[0]?.();
    await waitFor(() => expect(screen.getByRole('button', { name: 'Write it on the map' })).toBeEnabled());
    fireEvent.change(field, { target: { value: '90 long, 11 thick' } });
    expect(screen.getByRole('button', { name: 'Write it on the map' })).toBeDisabled();
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(written).not.toHaveBeenCalled();
    give[1]?.();
    await waitFor(() => expect(written).toHaveBeenCalledTimes(1));
    expect(written.mock.calls[0]?.[0]).toMatchObject([{ id: '90 long, 11 thick' }]);
  });
});
