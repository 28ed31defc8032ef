"""Which requests are heavy work, done by a small pool of its own so that nobody else waits for it?

Each is a method and an address, as regular expressions: pictures and scans that are read, files that come in,
pages that are set, archives, and plans and proposals that are searched for.
"""

HEAVY = (
    ("POST", "/api/papers(/read)?"),
    ("POST", "/api/swatches/(read|keep)"),
    ("POST", r"/api/drawings(/scan|/scanned)?"),
    ("POST", r"/api/records/[0-9]+/photos"),
    ("POST", "/api/camera/(chart|photograph|training/[0-9]+)"),
    ("GET", "/api/training/(progress|sheets/[0-9]+)"),
    ("POST", "/api/training/sheets/[0-9]+/photo"),
    ("POST", "/api/ranges/(preview|import)"),
    ("POST", "/api/drawer/file"),
    ("POST", "/api/recipes(/cards)?"),
    ("(GET|POST)", "/api/me/archive(/followed)?"),
    ("(GET|POST)", "/api/.+/(sheet|chart)"),
    ("GET", "/api/.+/file(/[a-z]+)?"),
    ("GET", "/api/records/(export|years/[0-9]+)"),
    ("(GET|POST)", "/api/cards/[0-9]+/colourways"),
    ("GET", "/api/cards/[0-9]+/build/cutting"),
    ("GET", "/api/sets/[0-9]+/cutting"),
    ("POST", "/api/(cards|sets)/[0-9]+/plan/anew"),
    ("POST", "/api/cards/[0-9]+/colouring/propose"),
)
# One process; its threads wait for their turn (server/watching/turns.py says how many are at work), and
# answer for everybody while the application itself is started again.
WORKERS, THREADS = 1, 32
NICE = 19  # whoever asks for little goes first
EACH = 24  # at once from one address, waiting ones too: a household, an office; turns are by person


def told() -> str:
    """The same as nginx's map takes it, from a method and an address."""
    return "\n".join(f'    "~^{method} {address}$" heavy;' for method, address in HEAVY)
