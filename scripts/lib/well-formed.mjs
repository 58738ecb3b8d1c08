/** Problem documents (RFC 9457) for what is not even a request. The application has the rest: see docs/api.md. */
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

/**
 * @param {string} type
 * @param {string} title
 * @param {number} status
 * @param {string} detail
 */
const body = (type, title, status, detail) =>
  JSON.stringify({ type: `/problems/${type}`, title, status, detail });

/**
 * Whether a request can be handed on; one that cannot is answered.
 * @param {import('node:http').IncomingMessage} request
 * @param {import('node:http').ServerResponse} response
 */
export function wellFormed(request, response) {
  /**
   * @param {number} status
   * @param {string} text
   */
  const answer = (status, text, headers = {}) => {
    request.resume();
    response.writeHead(status, {
      'content-type': 'application/problem+json',
      'x-content-type-options': 'nosniff',
      ...headers,
    });
    response.end(text);
    return false;
  };
  if (!METHODS.includes(request.method ?? ''))
    return answer(
      405,
      body('wrong-method', 'Wrong method', 405, `${request.method} is not understood here.`),
      {
        allow: METHODS.join(', '),
      },
    );
  if (!isAddress(request.url ?? '') || !isHost(request.headers.host ?? ''))
    return answer(
      400,
      body('malformed-request', 'Malformed request', 400, 'The address or host is malformed.'),
    );
  return true;
}

/** @param {string} url */
function isAddress(url) {
  if (!url.startsWith('/')) return false;
  try {
    // A NUL byte is legal in a URL, but in nothing that an address here could name.
    return (
      !decodeURIComponent(url.replace(/\?.*/s, '')).includes('\0') && URL.canParse(url, 'http://localhost')
    );
  } catch {
    return false;
  }
}

/**
 * A name or an address with or without a port, and nothing else that a URL could hold in its place.
 * @param {string} host
 */
function isHost(host) {
  if (!URL.canParse(`http://${host}`)) return false;
  const { username, password, pathname, search, hash } = new URL(`http://${host}`);
  return username === '' && password === '' && pathname === '/' && search === '' && hash === '';
}

/**
 * Gives errors a problem document that the framework answers before the application sees them (unknown files of its
 * own, for one): those say nothing but a status.
 * @param {import('node:http').ServerResponse} response
 */
export function withProblem(response) {
  const { writeHead, write, end } = response;
  /** @type {string | null} */
  let problem = null;
  /**
   * @param {number} status
   * @param {unknown[]} rest
   */
  const writeHeadToo = (status, ...rest) => {
    const type = String(response.getHeader('content-type') ?? '');
    if (status >= 400 && !/^(application|text\/html)/.test(type)) {
      const [name, title] =
        status === 404 ? ['not-here', 'Not here'] : ['malformed-request', 'Malformed request'];
      problem = body(name, title, status, 'There is nothing for this at this address.');
      response.removeHeader('content-length');
      response.setHeader('content-type', 'application/problem+json');
    }
    return Reflect.apply(writeHead, response, [status, ...rest]);
  };
  response.writeHead = writeHeadToo;
  /** @param {unknown[]} args */
  response.write = (...args) => (problem === null ? Reflect.apply(write, response, args) : true);
  /** @param {unknown[]} args */
  response.end = (...args) => {
    if (!response.headersSent) response.writeHead(response.statusCode);
    return Reflect.apply(end, response, problem === null ? args : [problem]);
  };
  return response;
}

/**
 * Answers what Node.js itself cannot read as HTTP.
 * @param {NodeJS.ErrnoException} error
 * @param {import('node:stream').Duplex} socket
 */
export function answerClientError(error, socket) {
  if (error.code === 'ECONNRESET' || !socket.writable) return socket.destroy();
  const large = error.code === 'HPE_HEADER_OVERFLOW';
  const [status, text] = large
    ? [
        '431 Request Header Fields Too Large',
        body('headers-too-large', 'Headers too large', 431, 'Send less.'),
      ]
    : ['400 Bad Request', body('malformed-request', 'Malformed request', 400, 'This is not HTTP.')];
  socket.end(
    `HTTP/1.1 ${status}\r\ncontent-type: application/problem+json\r\ncontent-length: ${Buffer.byteLength(text)}\r\n` +
      `connection: close\r\n\r\n${text}`,
  );
}
