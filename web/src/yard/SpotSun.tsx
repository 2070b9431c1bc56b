import { keepPreviousData } from '@tanstack/react-query';
import { ask } from '../shared/api';
import { useHere } from '../shared/orchard';

/** The sun on a spot of the plot, the tree that is to stand there thought away, and what it means for planting. */
export function SpotSun({ x, y, day, without }: { x: number; y: number; day?: string; without?: string }) {
  const { orchard } = useHere();
  const sun = ask.useQuery(
    'get',
    '/api/orchards/{slug}/light/spot',
    { params: { path: { slug: orchard.slug }, query: { x, y, ...(day && { day }), ...(without && { without }) } } },
    { placeholderData: keepPreviousData, retry: false },
  );
  if (!sun.data) return null;
  return (
    <p className="sm" role="status">
      <b className="num">{sun.data.sun_hours} h</b> of sun a day here in the growing season: {sun.data.means}.
    </p>
  );
}
