import { browserSupportsWebAuthn, startAuthentication, startRegistration } from '@simplewebauthn/browser';

/** Whether this browser can hold passkeys for this place: one that is opened by a number has no name that they could be made for. */
export function canHavePasskeys(): boolean {
  return browserSupportsWebAuthn() && !/^[\d.]+$|:/.test(window.location.hostname);
}

/** Has the browser show a passkey. @param options as the server asks it @throws Error where none is shown */
export function showPasskey(options: Readonly<Record<string, unknown>>): Promise<object> {
  return startAuthentication({ optionsJSON: options as never });
}

/** Has the browser make a passkey. @param options as the server asks it @throws Error where none is made */
export function makePasskey(options: Readonly<Record<string, unknown>>): Promise<object> {
  return startRegistration({ optionsJSON: options as never });
}
