import type { ReactNode } from 'react';
import './phone-warning.css';

const INK = '#1c1c1c';

/** A phone as it warns of a certificate that it does not know, and where to press: in order, with numbers. */
const Phone = ({ step, title, lines, press }: { step: number; title: string; lines: number; press: string }) => (
  <svg width="150" height="236" viewBox="0 0 150 236" role="img" aria-label={`${step}: ${title}; press ${press}`}>
    <rect x="8" y="4" width="134" height="228" rx="14" fill="#fafafa" stroke={INK} strokeWidth="3" />
    <rect x="20" y="20" width="110" height="16" fill="#dedede" stroke="#8a8a8a" />
    <text x="26" y="32" fontSize="10" fill="#505050">
      https://192.168. …
    </text>
    <path d="M75 52l18 32h-36z" fill="none" stroke={INK} strokeWidth="3" strokeLinejoin="round" />
    <path d="M75 62v12M75 78v2" stroke={INK} strokeWidth="3" strokeLinecap="round" />
    <text x="75" y="104" fontSize="11" fontWeight="600" textAnchor="middle" fill={INK}>
      {title}
    </text>
    {Array.from({ length: lines }, (_, i) => (
      <rect key={i} x="24" y={116 + i * 12} width={i === lines - 1 ? 70 : 102} height="5" fill="#c2c2c2" />
    ))}
    <rect x="24" y="182" width="102" height="26" fill="#fafafa" stroke={INK} strokeWidth="2" />
    <text x="75" y="199" fontSize="11" textAnchor="middle" fill={INK}>
      {press}
    </text>
    <circle cx="126" cy="182" r="11" fill={INK} />
    <text x="126" y="186" fontSize="12" fontWeight="700" textAnchor="middle" fill="#fafafa">
      {step}
    </text>
  </svg>
);

/** Said before a phone is paired: what it will warn of, why, and what to press. */
export const PhoneWarning = (): ReactNode => (
  <section aria-label="What the phone will warn of">
    <h2>The phone will warn once: that is expected</h2>
    <div className="phone-warning">
      <Phone step={1} title="Not private" lines={4} press="Details" />
      <Phone step={2} title="Go on anyway?" lines={3} press="Continue" />
      <div>
        <p>
          The phone and this computer speak in secret, so that nobody in the network reads along. For that this house
          signs a certificate of its own. The phone does not know who that is, and says so: “not private”, “not secure”,
          “certificate not trusted”. The address above the warning is this computer’s own, in your own network.
        </p>
        <ol>
          <li>Press “Details”, “Advanced” or “Show more”, as the phone calls it.</li>
          <li>Press “Continue”, “Proceed” or “Visit this page”. Then type the code that is shown here.</li>
        </ol>
        <p className="dim">Never do the same on a page of a bank or a shop: there such a warning means what it says.</p>
      </div>
    </div>
    <h2>If you like: no warning, and the Bench without this computer</h2>
    <p>
      The page that pairs offers this house’s seal (its root certificate). A phone that is told once to trust it does
      not warn any more, and keeps the Bench for when this computer is away. It is not needed: without it everything
      works while this computer answers. The seal can vouch for this computer alone, for a year, and is taken off the
      phone again in its settings.
    </p>
  </section>
);
