/** Whether this browser makes and uses passkeys where it is: it does not where the way is not encrypted. */
export function hasPasskeys(): boolean {
  return typeof PublicKeyCredential !== 'undefined' && 'parseCreationOptionsFromJSON' in PublicKeyCredential;
}

/** What a device answered, as JSON, or why there is none. */
type Answered = { ok: true; credential: string } | { ok: false; sentence: string };

async function answered(asked: () => Promise<Credential | null>): Promise<Answered> {
  try {
    const credential = await asked();
    return credential instanceof PublicKeyCredential
      ? { ok: true, credential: JSON.stringify(credential.toJSON()) }
      : { ok: false, sentence: GIVEN_UP };
  } catch (e) {
    const known = e instanceof DOMException && e.name === 'InvalidStateError';
    return { ok: false, sentence: known ? 'This device has a passkey of yours for Ebbtide already.' : GIVEN_UP };
  }
}

const GIVEN_UP = 'No passkey was used: the device was not asked to its end. Try again.';

/** Has a device make a passkey, of what it is asked as JSON. */
export function make(options: string): Promise<Answered> {
  const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(
    JSON.parse(options) as PublicKeyCredentialCreationOptionsJSON,
  );
  return answered(() => navigator.credentials.create({ publicKey }));
}

/** Has a device sign what it is asked as JSON, by a passkey that its person chooses. */
export function use(options: string): Promise<Answered> {
  const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(
    JSON.parse(options) as PublicKeyCredentialRequestOptionsJSON,
  );
  return answered(() => navigator.credentials.get({ publicKey }));
}
