import { Heads } from '../shared/Heads';

/** The head of a table of shoots: which, how far up, the measure told of them, and what a person says of each. */
export function ShootHead({ measure }: { measure: string }) {
  return <Heads of={['Shoot', ['up', 'n'], [measure, 'n'], 'Your word']} />;
}
