import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Finder } from './help/Finder';
import { Told } from './help/Told';
import { spellings, trade } from './help/words';
import { ShownDay } from './shared/shown';
import { answer, show } from './testing.test-data';

afterEach(() => vi.unstubAllGlobals());

describe('trade words', () => {
  it('are each told once, and written one way', () => {
    const written = spellings.map(([w]) => w.toLowerCase());
    expect(new Set(written).size).toBe(written.length);
    expect(new Set(trade.map((t) => t.word)).size).toBe(trade.length);
    const order = trade.map((t) => t.word);
    expect(order).toEqual([...order].sort((a, b) => a.localeCompare(b)));
    for (const t of trade) expect(t.says).toMatch(/^[A-Z].*[^.]\.$/);
  });

  it('can be pressed in a sentence, the longest that fits, each once, and no part of another word', async () => {
    show(
      <p>
        <Told>Water sprouts shade the spurs; a sprout on a scaffold goes. Spurious scaffolding stays.</Told>
      </p>,
    );
    const words = screen.getAllByRole('button').map((b) => b.textContent);
    expect(words).toEqual(['Water sprouts', 'spurs', 'scaffold']);
    expect(screen.getByText(/Spurious scaffolding stays/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'spurs' }));
    const card = screen.getByRole('dialog', { name: 'spur' });
    expect(within(card).getByText(/A short, wrinkled twig/)).toBeInTheDocument();
    expect(within(card).getByRole('img', { name: 'A drawing: spur' })).toBeInTheDocument();
  });
});

describe('words of every day', () => {
  it('are no trade words', () => {
    show(
      <p>
        <Told>Above your head: a pole tool. Rain every free day; a limb carried by another, a stem or a foot.</Told>
      </p>,
    );
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('the finder', () => {
  it('finds trees, words and settings, and says when there is nothing', async () => {
    const none = { now: [], closing: [], opening: [], wait: [], missed: [], anytime: [] };
    answer({ 'GET /api/orchards/here/entries': [], 'GET /api/orchards/here/docket': none });
    show(
      <ShownDay today="2027-02-20">
        <Finder open onClose={vi.fn()} />
      </ShownDay>,
    );
    const field = screen.getByLabelText('A tree, a job, a word, a note');
    await userEvent.type(field, 'collar');
    expect(await screen.findByText(/The swollen ring where a limb leaves/)).toBeInTheDocument();
    await userEvent.clear(field);
    await userEvent.type(field, 'reach');
    expect(screen.getByRole('button', { name: 'Settings: People' })).toBeInTheDocument();
    await userEvent.clear(field);
    await userEvent.type(field, 'zzzz');
    expect(screen.getByText(/Nothing of that name/)).toBeInTheDocument();
  });
});
