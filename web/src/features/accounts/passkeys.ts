/** Whether this browser, at this address, can make and use passkeys: they need HTTPS or localhost, and never go by number. */
export const canHavePasskeys =
  window.isSecureContext &&
  'PublicKeyCredential' in window &&
  'parseCreationOptionsFromJSON' in PublicKeyCredential &&
  !/^[\d.]+$|:/.test(window.location.hostname);

/** Asks the device to make a passkey. Gives what it answered, as the server reads it; throws where it was called off. */
export async function makePasskey(options: string): Promise<string> {
  const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(
    JSON.parse(options) as PublicKeyCredentialCreationOptionsJSON,
  );
  const made = (await navigator.credentials.create({ publicKey })) as PublicKeyCredential;
  return JSON.stringify(made.toJSON());
}

/** Asks the device for a passkey of this place. */
export async function askForPasskey(options: string): Promise<string> {
  const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(
    JSON.parse(options) as PublicKeyCredentialRequestOptionsJSON,
  );
  const found = (await navigator.credentials.get({ publicKey })) as PublicKeyCredential;
  return JSON.stringify(found.toJSON());
}
