import type { PhonesAnswer } from '@warm-ladder/core/wire';
import { useEffect, useState } from 'react';
import { server } from '../../app/store/server';

/** How teachers open today's classes on a phone in the studio's network, and what that opens to whom. */
export function Component() {
  const [phones, setPhones] = useState<PhonesAnswer | 'asked' | 'away'>('asked');
  useEffect(() => {
    server.phones().then(setPhones, () => setPhones('away'));
  }, []);
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">On phones in the studio</h1>
      {phones === 'away' && <p className="mt-3">The studio’s server does not answer.</p>}
      {typeof phones === 'object' &&
        (phones.addresses.length > 0 ? <Open phones={phones} /> : <Closed phones={phones} />)}
    </main>
  );
}

const Closed = ({ phones: { here } }: { readonly phones: PhonesAnswer }) => (
  <>
    <p className="mt-3">
      Only this machine reaches the studio. To let phones on the studio’s own network open the classes of the day, start
      the server with this machine’s address there:
    </p>
    <pre className="my-3 overflow-x-auto rounded-lg bg-shade px-4 py-3">npm start -- --host {here[0] ?? 'ADDRESS'}</pre>
    {here.length > 1 && <p className="text-soft">Other addresses of this machine: {here.slice(1).join(', ')}.</p>}
    <What />
  </>
);

const Open = ({ phones: { addresses, encrypted, everything } }: { readonly phones: PhonesAnswer }) => (
  <>
    {everything && (
      <p role="alert" className="mt-3 font-semibold text-alarm">
        Started with --share-all: whoever reaches these addresses reads and changes everything.
      </p>
    )}
    <ul className="mt-4 flex flex-wrap gap-8">
      {addresses.map(({ url, picture }) => (
        <li key={url} className="text-center">
          <img
            src={`data:image/svg+xml,${encodeURIComponent(picture)}`}
            alt={`The address ${url} to be read by a phone’s camera`}
            className="size-64 rounded-xl bg-sheet p-2"
          />
          <a href={url} className="mt-1 inline-block text-lg underline decoration-dotted underline-offset-4">
            {url}
          </a>
        </li>
      ))}
    </ul>
    {encrypted ? (
      <section className="mt-5">
        <h2 className="text-xl font-semibold">Once on each phone</h2>
        <ol className="list-decimal pl-6">
          <li>
            Open <span className="font-semibold">/certificate.crt</span> at that address, past the warning, and install
            it in the phone’s settings as a certificate authority that is trusted. It was made by this server, stays on
            this machine, and vouches for this address alone.
          </li>
          <li>Open the address again: the warning is gone. Add the page to the home screen, and it opens offline.</li>
        </ol>
      </section>
    ) : (
      <p className="mt-4">
        Nothing on the way is encrypted (--plain): a phone can’t install these pages, keep them offline, or stay awake.
      </p>
    )}
    <What />
  </>
);

/** What is open to whom, until people have accounts. */
const What = () => (
  <section className="mt-5">
    <h2 className="text-xl font-semibold">What that opens, and to whom</h2>
    <p>
      Anyone on that network can read, rehearse and teach every class of this studio, and send the log of a class. With
      a class comes who it is for, their cautions and their belly checks, by mark and never by name. Nobody is asked who
      they are. Nothing else is served to other machines, and nothing of the studio can be changed from there. Keep it
      to a network whose people you trust.
    </p>
  </section>
);
