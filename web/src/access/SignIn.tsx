import Button from '@mui/material/Button';
import { useState, type FormEvent } from 'react';
import { Field } from '../shared/Field';
import { useOutbox } from '../outbox/use';
import { Trouble } from '../shared/Trouble';
import { count } from '../shared/units';
import { useSignIn } from './queries';
import css from './access.module.css';

/** The gate: one passphrase, and in. */
export function SignIn() {
  const signIn = useSignIn();
  const { waiting } = useOutbox();
  const [passphrase, setPassphrase] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    signIn.mutate(passphrase);
  };
  return (
    <main className={`page ${css.signin}`}>
      <h1>Vertumna</h1>
      <p>This orchard is kept by its household. Sign in with its passphrase.</p>
      <form onSubmit={submit} aria-label="Sign in">
        <Field
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          fullWidth
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
        />
        <Trouble error={signIn.error} />
        <Button type="submit" variant="contained" disabled={passphrase === '' || signIn.isPending}>
          Sign in
        </Button>
      </form>
      {waiting.length > 0 && (
        <p>{count(waiting.length, 'tap')} on this device are kept, and sent once you are signed in.</p>
      )}
      <p className="q sm">
        Lost it? It is set anew on the machine Vertumna runs on, by ‘vertumna passphrase’. You stay signed in for ninety
        days.
      </p>
    </main>
  );
}
