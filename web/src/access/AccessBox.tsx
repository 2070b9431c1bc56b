import Button from '@mui/material/Button';
import { useState, type FormEvent } from 'react';
import { Field } from '../shared/Field';
import { Trouble } from '../shared/Trouble';
import { useAccess, useSetPassphrase, useSignOut } from './queries';

/** Who may enter: the passphrases, and signing out. */
export function AccessBox() {
  const access = useAccess();
  const signOut = useSignOut();
  const a = access.data;
  return (
    <section className="sheetbox" aria-label="Access">
      <h2>Access</h2>
      {!a ? (
        <p className="q">Asking who may enter.</p>
      ) : (
        <>
          <p>
            {!a.guarded
              ? 'No passphrase is set: whoever sits at this machine is the owner, and no other device gets in. To reach Vertumna from the phones of the house, set one, then start it with --listen and the address of this machine.'
              : `You are signed in as ${a.role}. A helper sees and logs, and changes no tree, map, school or setting.`}
          </p>
          {a.here && (!a.guarded || a.role === 'owner') && (
            <>
              <PassphraseForm
                of="owner"
                label={a.guarded ? 'A new passphrase for the owner' : 'The owner’s passphrase'}
              />
              {a.guarded && (
                <PassphraseForm
                  of="helper"
                  label={a.helpers ? 'A new passphrase for helpers' : 'A passphrase for helpers'}
                />
              )}
            </>
          )}
          {a.guarded && !a.here && <p className="q sm">Passphrases are set on the machine Vertumna runs on.</p>}
          {a.guarded && (
            <div className="acts">
              <Button variant="outlined" onClick={() => signOut.mutate(false)}>
                Sign out here
              </Button>
              {a.role === 'owner' && (
                <Button variant="outlined" onClick={() => signOut.mutate(true)}>
                  Sign everybody out
                </Button>
              )}
            </div>
          )}
        </>
      )}
      <Trouble error={access.error ?? signOut.error} />
    </section>
  );
}

function PassphraseForm({ of: role, label }: { of: 'owner' | 'helper'; label: string }) {
  const set = useSetPassphrase();
  const [passphrase, setPassphrase] = useState('');
  const [again, setAgain] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    set.mutate(
      { role, passphrase },
      {
        onSuccess: () => {
          setPassphrase('');
          setAgain('');
        },
      },
    );
  };
  const differ = again !== '' && again !== passphrase;
  return (
    <form onSubmit={submit} aria-label={label}>
      <div className="pair">
        <Field
          size="small"
          type="password"
          autoComplete="new-password"
          label={label}
          helperText="A few words nobody would guess; ten letters at least"
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
        />
        <Field
          size="small"
          type="password"
          autoComplete="new-password"
          label="Once more"
          error={differ}
          helperText={differ ? 'The two are not the same' : ' '}
          value={again}
          onChange={(e) => setAgain(e.target.value)}
        />
      </div>
      <Trouble error={set.error} />
      {set.isSuccess && <p role="status">Set. Every other device signs in anew.</p>}
      <Button type="submit" variant="outlined" disabled={passphrase === '' || passphrase !== again || set.isPending}>
        Set it
      </Button>
    </form>
  );
}
