"""Three MariaDB servers on loopback that hold the same: a Galera cluster as Debian's packages make it."""

import os
import re
import signal
import subprocess
import time

from ops.database import Database
from ops.paths import Trouble

COUNT = 3
_LIBRARY = "/usr/lib/galera/libgalera_smm.so"
_PATIENCE = 60
_FIRST_PORT = 24567  # for what they tell each other: three ports each
# A node that says nothing is taken for dead after two seconds, not five.
_TIMES = (
    "evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT2S;"
    "evs.inactive_timeout=PT5S;evs.inactive_check_period=PT0.5S"
)
# How what is written is told to the others.
_ROWS = ("--binlog-format=ROW", "--innodb-autoinc-lock-mode=2")


class Node(Database):
    """One of them."""

    def __init__(self, number: int, password: str) -> None:
        self._number = number
        port = _port(number)
        told = (
            f"gmcast.listen_addr=tcp://127.0.0.1:{port};ist.recv_addr=127.0.0.1:{port + 1};"
            f"base_host=127.0.0.1;base_port={port};gcache.size=128M;{_TIMES}"
        )
        self._of_cluster = (
            "--wsrep-on=ON", f"--wsrep-provider={_LIBRARY}", "--wsrep-cluster-name=trial",
            f"--wsrep-node-name=node{number}", f"--wsrep-node-address=127.0.0.1:{port}",
            f"--wsrep-sst-receive-address=127.0.0.1:{port + 2}", "--wsrep-sst-method=mariabackup",
            "--wsrep-sst-auth=root:", f"--wsrep-provider-options={told}", "--wsrep-slave-threads=2", *_ROWS,
        )  # fmt: skip
        super().__init__(f"node{number}")
        kept = self.home / "password"
        self.home.mkdir(parents=True, exist_ok=True)
        kept.write_text(password)  # accounts are the same on all of them
        kept.chmod(0o600)

    def join(self, first: bool = False) -> None:
        """Start it: as the first of a new cluster, or as one that comes to the others with what it had."""
        there = "" if first else ",".join(f"127.0.0.1:{_port(one)}" for one in range(COUNT))
        also = [*self._of_cluster, f"--wsrep-cluster-address=gcomm://{there}"]
        if not first and (position := self._position()):
            also.append(f"--wsrep-start-position={position}")
        self._also = tuple(also)
        self.start()

    def kill(self) -> None:
        """End it as a power failure would."""
        os.kill(int((self.home / "pid").read_text()), signal.SIGKILL)
        assert self._started is not None
        self._started.wait()

    def _wait(self) -> None:
        """Until it holds what the others hold, too."""
        super()._wait()
        deadline = time.monotonic() + _PATIENCE
        while "Synced" not in self.query("SHOW GLOBAL STATUS LIKE 'wsrep_local_state_comment'").stdout:
            if time.monotonic() > deadline:
                raise Trouble(f"{self.home.name} does not come to the others; its log is {self.log}.")
            time.sleep(0.1)

    def _grant(self) -> None:
        """Accounts come from the first."""
        if self._number == 0:
            super()._grant()

    def _position(self) -> str:
        """How far it had come when it fell, so that only what it missed is sent to it."""
        if not (self.data / "grastate.dat").exists():
            return ""
        command = [
            "mariadbd", "--no-defaults", f"--datadir={self.data}", f"--user={self._user()}",
            "--wsrep-recover", "--wsrep-cluster-address=gcomm://", "--wsrep-sst-method=mariabackup",
            "--wsrep-on=ON", f"--wsrep-provider={_LIBRARY}", *_ROWS,
            f"--socket={self.home / 'recovering'}", "--skip-networking", "--skip-log-bin",
        ]  # fmt: skip
        done = subprocess.run(command, capture_output=True, text=True)
        found = re.search(r"Recovered position: ?(\S+)", done.stdout + done.stderr)
        if not found:
            raise Trouble(
                f"How far {self.home.name} had come is not known.\n{(done.stdout + done.stderr)[-500:]}"
            )
        return found[1]

    @property
    def place(self) -> str:
        """Its host and port."""
        return re.search(r"@([^/]+)/", self.url)[1]


def _port(number: int) -> int:
    return _FIRST_PORT + 10 * number


def address(nodes: list[Node]) -> str:
    """How Django reaches them, in the order in which they are asked."""
    return re.sub(r"@[^/]+/", f"@{','.join(one.place for one in nodes)}/", nodes[0].url)
