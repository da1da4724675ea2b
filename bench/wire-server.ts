/** A server by itself, for the bench of the wire. */
import { builtApplication } from '../scripts/lib/build';
import { say } from '../scripts/lib/say';
import { serve } from '../scripts/lib/serve';

const server = await serve({ folder: builtApplication(say), host: '127.0.0.1', port: 0, exact: true });
console.log(`at ${server.address}`);
process.on('SIGTERM', () => void server.close().then(() => process.exit(0)));
