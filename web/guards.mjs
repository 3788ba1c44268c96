/** Addresses that are no pages: they have headers of their own. */
const NO_PAGE = /^\/(?:api\/|_next\/static|favicon\.ico|icon\.svg|sw\.js|manifest\.webmanifest)/;
const development = process.env.NODE_ENV === 'development';

/**
 * Inline style attributes are allowed (drawings are placed by them), inline scripts and style sheets are not.
 *
 * @param {string} nonce of this answer alone
 */
const policyFor = (nonce) =>
  [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? ` 'unsafe-eval'` : ''}`,
    development ? `style-src 'self' 'unsafe-inline'` : `style-src 'self' 'nonce-${nonce}'`,
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' blob: data:`,
    `font-src 'self'`,
    `connect-src 'self'${development ? ' ws:' : ''}`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `frame-src 'self'`,
    `frame-ancestors 'self'`,
    `base-uri 'self'`,
    `form-action 'self'`,
  ].join('; ');

/**
 * Gives a page its Content-Security-Policy, with a nonce of its own for each answer, and the usual guards. The framework
 * reads the nonce from the request. It is done here and not in `proxy.ts`, which takes a tenth of a page's time.
 *
 * @param {import('node:http').IncomingMessage} request
 * @param {import('node:http').ServerResponse} to
 */
export function guard(request, to) {
  if (NO_PAGE.test(request.url ?? '/')) return;
  const nonce = btoa(crypto.randomUUID());
  const policy = policyFor(nonce);
  request.headers['x-nonce'] = nonce;
  request.headers['content-security-policy'] = policy;
  to.setHeader('content-security-policy', policy);
  to.setHeader('x-content-type-options', 'nosniff');
  to.setHeader('referrer-policy', 'same-origin');
  to.setHeader('cross-origin-opener-policy', 'same-origin');
  to.setHeader(
    'permissions-policy',
    'camera=(self), geolocation=(self), serial=(self), ambient-light-sensor=(self), microphone=()',
  );
  if (request.headers['x-forwarded-proto'] === 'https')
    to.setHeader('strict-transport-security', 'max-age=31536000');
}
