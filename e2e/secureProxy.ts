import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { answers, freePort } from '../cli/ports';

/** The name under which the proxy is reached; browsers are told that it is this machine. */
export const SECURE_HOST = 'kevlo.example';

/** A reverse proxy before the application: HTTPS with a certificate of an authority of its own, as docs/deploy.md describes. */
export class SecureProxy {
  private server: ChildProcess | undefined;

  private constructor(
    private readonly folder: string,
    readonly port: number,
  ) {}

  /** Makes authority and certificate; nobody answers until {@link start}. */
  static async make(): Promise<SecureProxy> {
    const folder = mkdtempSync(path.join(tmpdir(), 'kevlo-proxy-'));
    const run = (...args: string[]) => execFileSync('openssl', args, { cwd: folder, stdio: 'pipe' });
    const key = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes'];
    run('req', '-x509', ...key, '-keyout', 'ca.key', '-out', 'ca.pem', '-days', '2', '-subj', '/CN=Kevlo test authority');
    run('req', ...key, '-keyout', 'own.key', '-out', 'own.csr', '-subj', `/CN=${SECURE_HOST}`);
    writeFileSync(path.join(folder, 'names'), `subjectAltName=DNS:${SECURE_HOST}\n`);
    run('x509', '-req', '-in', 'own.csr', '-CA', 'ca.pem', '-CAkey', 'ca.key', '-CAcreateserial', '-out', 'own.pem', '-days', '2', '-extfile', 'names');
    return new SecureProxy(folder, await freePort());
  } // prettier-ignore

  get address(): string {
    return `https://${SECURE_HOST}:${this.port}`;
  }

  /** Arguments by which a browser finds the name here and trusts the authority’s certificate, and no other. */
  get browserArguments(): string[] {
    const certificate = new X509Certificate(readFileSync(path.join(this.folder, 'own.pem')));
    const spki = certificate.publicKey.export({ type: 'spki', format: 'der' });
    const hash = createHash('sha256').update(spki).digest('base64');
    return [`--host-resolver-rules=MAP ${SECURE_HOST} 127.0.0.1`, `--ignore-certificate-errors-spki-list=${hash}`];
  } // prettier-ignore

  async start(target: string): Promise<void> {
    writeFileSync(path.join(this.folder, 'nginx.conf'), configuration(this.port, target));
    const program = ['/usr/sbin/nginx', '/usr/bin/nginx'].find((one) => existsSync(one)) ?? 'nginx';
    const args = ['-p', this.folder, '-c', 'nginx.conf', '-e', 'error.log', '-g', 'daemon off;'];
    this.server = spawn(program, args, { stdio: 'ignore' });
    for (let waited = 0; waited < 300; waited++) {
      if (await answers(this.port)) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`The proxy did not answer: ${readFileSync(path.join(this.folder, 'error.log'), 'utf8')}`);
  }

  /** Nobody answers any more, as where there is no connection. */
  async cut(): Promise<void> {
    const { server } = this;
    if (!server) return;
    const ended = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGTERM');
    await ended;
    this.server = undefined;
  }

  async stop(): Promise<void> {
    await this.cut();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** The server block of docs/deploy.md with this test’s names; the rest keeps everything within its folder. */
function configuration(port: number, target: string): string {
  return `
worker_processes 1;
pid nginx.pid;
events { worker_connections 256; }
http {
  access_log off;
  client_body_temp_path body; proxy_temp_path proxy; fastcgi_temp_path fastcgi; uwsgi_temp_path uwsgi; scgi_temp_path scgi;
  server {
    listen 127.0.0.1:${port} ssl;
    server_name ${SECURE_HOST};
    ssl_certificate     own.pem;
    ssl_certificate_key own.key;
    client_max_body_size 80m;
    location / {
      proxy_pass ${target};
      proxy_http_version 1.1;
      proxy_set_header Host $http_host;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
      proxy_set_header X-Forwarded-Proto https;
      proxy_buffering off;
      proxy_read_timeout 1h;
    }
  }
}`;
}
