import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Units } from './shared/units';
import { answer, refusal, show } from './testing.test-data';
import { OwnWeather } from './yard/OwnWeather';

afterEach(() => vi.unstubAllGlobals());

const own = 'POST /api/orchards/here/weather/own';
const file = 'POST /api/orchards/here/weather/file';
const open = async (routes: Record<string, unknown>, units: Units = 'metric') => {
  const sent = answer(routes);
  show(<OwnWeather slug="here" today="2027-02-20" units={units} />, units);
  await userEvent.click(screen.getByText('Weather of your own'));
  return sent;
};
const type = (label: RegExp, text: string) => userEvent.type(screen.getByLabelText(label), text);
const keep = () => screen.getByRole('button', { name: 'Keep it' });

describe('what one’s own thermometer read', () => {
  it('is of yesterday, is kept once both ends are typed, and then the fields are free again', async () => {
    const sent = await open({ [own]: {} });
    expect(screen.getByLabelText('Day')).toHaveValue('2027-02-19');
    expect(keep()).toBeDisabled();
    await type(/^Lowest/, '-3,5');
    expect(keep()).toBeDisabled();
    await type(/^Highest/, '8');
    await userEvent.click(keep());
    expect(await screen.findByText('Kept: the dates follow.')).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
      date: '2027-02-19',
      tmin_c: -3.5,
      tmax_c: 8,
      rain_mm: 0,
    });
    expect(screen.getByLabelText(/^Lowest/)).toHaveValue('');
  });

  it('is read in degrees and inches of the person', async () => {
    const sent = await open({ [own]: {} }, 'us');
    await type(/^Lowest, °F/, '23');
    await type(/^Highest, °F/, '50');
    await type(/^Rain, in/, '0.5');
    await userEvent.click(keep());
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'POST')?.body).toEqual({
        date: '2027-02-19',
        tmin_c: -5,
        tmax_c: 10,
        rain_mm: expect.closeTo(12.7) as number,
      }),
    );
  });

  it('takes a minus as it is printed, and nothing that is no number', async () => {
    await open({});
    await type(/^Lowest/, '−4');
    await type(/^Highest/, '8');
    expect(keep()).toBeEnabled();
    await type(/^Rain/, 'some');
    expect(keep()).toBeDisabled();
  });

  it('keeps what was typed when it is refused', async () => {
    await open({ [own]: refusal('tmax_c', '8', 'no less than the lowest') });
    await type(/^Lowest/, '12');
    await type(/^Highest/, '8');
    await userEvent.click(keep());
    expect(await screen.findByRole('alert')).toHaveTextContent('Nothing was changed.');
    expect(screen.getByLabelText(/^Lowest/)).toHaveValue('12');
  });
});

describe('a file of days', () => {
  const csv = new File(['date,tmin,tmax,rain\n2027-02-01,-2,6,0'], 'days.csv', { type: 'text/csv' });
  const upload = () => userEvent.upload(screen.getByLabelText(/^A file of days/), csv);

  it('is sent as it is, and told by its days, those that are missing, and what is odd about it', async () => {
    const sent = await open({
      [file]: { days: 12, from: '2027-02-01', to: '2027-02-14', missing: 2, says: 'Is it of this place?' },
    });
    await upload();
    expect(await screen.findByRole('status')).toHaveTextContent(
      '12 days read, 1 February to 14 February; 2 days between are missing, and usual weather stands in. Is it of this place?',
    );
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ text: 'date,tmin,tmax,rain\n2027-02-01,-2,6,0' });
  });

  it('is taken whole or not at all', async () => {
    await open({ [file]: refusal('line 2, tmin', '40', '-60 to the highest') });
    await upload();
    expect(await screen.findByRole('alert')).toHaveTextContent('Nothing of the file was taken.');
    expect(screen.queryByRole('status')).toBeNull();
  });
});
