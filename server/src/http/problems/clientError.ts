import type { Socket } from 'node:net';
import { problemBody } from './middleware';
import { ProblemError } from './kinds';

/** Answer what is no HTTP, or HTTP with a head beyond all measure, in our own words; the connection ends with it. */
export function refuseConnection(error: NodeJS.ErrnoException, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) {
    socket.destroy();
    return;
  }
  const [status, sentence] =
    error.code === 'HPE_HEADER_OVERFLOW'
      ? ['431 Request Header Fields Too Large', 'The head of this request is too long.']
      : error.code === 'ERR_HTTP_REQUEST_TIMEOUT'
        ? ['408 Request Timeout', 'The request did not come to its end in time; send it again.']
        : ['400 Bad Request', 'This is no HTTP request that can be read.'];
  const body = JSON.stringify({
    ...problemBody(new ProblemError('unreadable', sentence)),
    status: Number(status.slice(0, 3)),
  });
  socket.end(
    `HTTP/1.1 ${status}\r\ncontent-type: application/problem+json\r\ncontent-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
  );
}
