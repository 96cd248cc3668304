'use client';

import Button from '@mui/material/Button';
import { useEffect, useState, type ReactNode } from 'react';
import { benchPhones, letPhoneGo, pairingCode } from '@/actions/phone';
import type { Result } from '@/core/interchange/result';
import { fullDay } from '@/ui/dates';
import { PhoneWarning } from './phone-warning';

type Value<F extends (...given: never[]) => Promise<Result<unknown>>> =
  Awaited<ReturnType<F>> extends Result<infer T> ? T : never;

/** Pairs a phone by a code that is shown here, and lets paired ones go. */
export function PhonePane({ briefId }: { briefId: string }): ReactNode {
  const [phones, setPhones] = useState<Value<typeof benchPhones> | null>(null);
  const [code, setCode] = useState<Value<typeof pairingCode> | null>(null);
  const [fault, setFault] = useState('');
  const told = <T,>(result: Result<T>, then: (value: T) => void) => {
    if (result.ok) then(result.value);
    else setFault('faults' in result ? result.faults.map(({ says }) => says).join('. ') : 'It did not work.');
  };
  useEffect(() => {
    let stale = false;
    const look = () =>
      benchPhones().then(
        (result) => !stale && told(result, setPhones),
        () => undefined,
      );
    void look();
    // A phone that was paired shows up by itself.
    const timer = setInterval(() => void look(), 5000);
    return () => {
      stale = true;
      clearInterval(timer);
    };
  }, []);
  if (fault) return <p role="alert">{fault}</p>;
  if (!phones) return <p className="dim">Looking…</p>;
  return (
    <>
      {phones.isOpen ? (
        <section aria-label="Pair a phone">
          {code ? (
            <div className="pairing">
              <p>
                Scan it with the phone, or open the address there and type the code. It holds for ten minutes, for one
                device.
              </p>
              <p className="pairing-code" aria-label="Code">
                {code.code}
              </p>
              <div className="pairing-ways">
                {code.ways.map(({ address, picture }) => (
                  <figure key={address}>
                    <img src={picture} alt={`Code to scan for ${address}`} width={200} height={200} />
                    <figcaption>{address}</figcaption>
                  </figure>
                ))}
              </div>
              {code.ways.length === 0 ? <p role="alert">This computer has no address in a local network.</p> : null}
            </div>
          ) : (
            <Button
              variant="contained"
              onClick={() => void pairingCode({ briefId }).then((result) => told(result, setCode))}
            >
              Show a code for a phone
            </Button>
          )}
          <p className="dim">
            A paired phone finds the Bench and the Log of every brief; the rest stays on this computer.
          </p>
          <PhoneWarning />
        </section>
      ) : (
        <p>
          The Bench is open on this computer alone. Started with <code>./start --bench</code> it is also there for
          phones in the local network, paired one by one with a code that is shown here.
        </p>
      )}
      <h2>Paired devices</h2>
      {phones.devices.length === 0 ? (
        <p>None.</p>
      ) : (
        <ul className="plain-list">
          {phones.devices.map(({ id, name, pairedAt, seenAt }) => (
            <li key={id}>
              <strong>{name}</strong>{' '}
              <span className="dim">
                paired {fullDay(pairedAt.slice(0, 10))}, last seen {fullDay(seenAt.slice(0, 10))}
              </span>{' '}
              <button
                type="button"
                className="row-button danger"
                onClick={() =>
                  void letPhoneGo({ id }).then((result) => told(result, (devices) => setPhones({ ...phones, devices })))
                }
              >
                ✕ let it go
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
