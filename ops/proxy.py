"""The proxy in front of a live Jindle: Debian's nginx, with a configuration written from the settings."""

import shutil
import socket
import subprocess
import time
from pathlib import Path

from ops import heavy
from ops.paths import STATE, Trouble
from ops.watching import Service

_TEMPLATE = Path(__file__).parent / "live" / "nginx.conf"
_PATIENCE = 10  # seconds; it takes a fraction of one
_REDIRECT = """
  server {{ listen {http} default_server; return 444; }}  # whoever asks for another host is sent nowhere
  server {{
    listen {http};
    server_name {hosts};
    return 301 https://$host{where}$request_uri;
  }}
"""
_CERTIFICATE = """    ssl_certificate "{chain}";
    ssl_certificate_key "{key}";
    ssl_protocols TLSv1.2 TLSv1.3;
    ssl_ciphers ECDHE+AESGCM:ECDHE+CHACHA20;
    ssl_session_cache shared:tls:5m;
    ssl_session_tickets off;"""


def configuration(told: dict, state: Path) -> str:
    """What nginx is told; its paths lie under ``state``."""
    hosts, https = " ".join(told["hosts"]), told["https"]
    port = told["https_port"] if https else told["http_port"]
    where = "" if port == 443 else f":{port}"
    redirect = _REDIRECT.format(http=told["http_port"], hosts=hosts, where=where) if https else ""
    chain, key = told.get("certificate", state / "self.pem"), told.get("certificate_key", state / "self.key")
    return _TEMPLATE.read_text().format(
        state=state,
        upload=told["largest_upload_mb"],
        archive=told["largest_archive_mb"],
        port=told["port"],
        heavy_port=told["port"] + 1,
        heavy=heavy.told(),
        each_heavy=heavy.EACH,
        balancers="".join(f"\n  set_real_ip_from {one};" for one in told.get("balancers", [])),
        hosts=hosts,
        redirect=redirect,
        listen=f"{port} ssl http2" if https else port,
        certificate=_CERTIFICATE.format(chain=chain, key=key) if https else "",
    )


class Proxy(Service):
    """nginx, as it stands in front."""

    def __init__(self, told: dict, env: dict[str, str]) -> None:
        self._told, self._state = told, STATE / "nginx"
        self._file = self._state / "nginx.conf"
        nginx = shutil.which("nginx") or "/usr/sbin/nginx"
        super().__init__([nginx, "-c", self._file, "-p", self._state], env)

    def start(self) -> subprocess.Popen:
        """Start it; Trouble with what it says where it refuses."""
        self.stop()
        self._state.mkdir(parents=True, exist_ok=True)
        if self._told["https"] and "certificate" not in self._told:
            self._sign()
        self._file.write_text(configuration(self._told, self._state))
        tried = subprocess.run([*self._command, "-t"], capture_output=True, text=True)
        if tried.returncode:
            raise Trouble(f"The proxy refuses its configuration:\n{tried.stderr.strip()[-600:]}")
        process = super().start()
        self._listens(process)
        return process

    def _listens(self, process: subprocess.Popen) -> None:
        """Wait until it takes connections."""
        deadline = time.monotonic() + _PATIENCE
        while process.poll() is None and time.monotonic() < deadline:
            with socket.socket() as probe:
                if probe.connect_ex(("127.0.0.1", self._told["http_port"])) == 0:
                    return
            time.sleep(0.05)
        raise Trouble("The proxy did not start; what it said stands above.")

    def _sign(self) -> None:
        """A certificate signed by itself: browsers warn of it, and nobody reads along."""
        key, chain = self._state / "self.key", self._state / "self.pem"
        if chain.exists():
            return
        names = ",".join(f"DNS:{host}" for host in self._told["hosts"])
        command = [
            "openssl", "req", "-x509", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:prime256v1", "-nodes",
            "-days", "825", "-subj", f"/CN={self._told['hosts'][0]}", "-addext", f"subjectAltName={names}",
            "-keyout", key, "-out", chain,
        ]  # fmt: skip
        done = subprocess.run(command, capture_output=True, text=True)
        if done.returncode:
            raise Trouble(f"No certificate could be made: {done.stderr.strip()[-300:]}")
        key.chmod(0o600)
