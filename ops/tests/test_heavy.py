import re
import unittest
from pathlib import Path

import yaml

from ops import heavy, proxy, told
from ops.paths import ROOT


class HeavyTests(unittest.TestCase):
    def test_each_of_them_is_asked_for_at_some_address_and_small_things_are_not(self):
        paths = yaml.safe_load((ROOT / "server" / "schema.yml").read_text())["paths"]
        asked = [
            f"{method.upper()} {re.sub('{kind}', 'csv', re.sub('{id}|{year}', '7', path))}"
            for path, methods in paths.items()
            for method in methods
        ]
        for method, address in heavy.HEAVY:
            with self.subTest(address):
                self.assertTrue([one for one in asked if re.fullmatch(f"{method} {address}", one)])
        theirs = [one for one in asked if any(re.fullmatch(f"{m} {a}", one) for m, a in heavy.HEAVY)]
        for small in ("GET /api/me", "POST /api/cards/7/changes", "GET /api/papers", "GET /api/cards"):
            self.assertIn(small, asked)
            self.assertNotIn(small, theirs)

    def test_the_proxy_sends_them_to_a_pool_of_their_own(self):
        said = told.USUAL | {"hosts": ["a.example"], "port": 8700}
        text = proxy.configuration(said, Path("/state"))
        self.assertIn("upstream heavy { server 127.0.0.1:8701;", text)
        self.assertIn("upstream jindle { server 127.0.0.1:8700; server 127.0.0.1:8701 backup;", text)
        self.assertIn(r'"~^(GET|POST) /api/cards/[0-9]+/colourways$" heavy;', text)
        self.assertNotIn("cookie", text)  # of which anybody may send any number
        self.assertIn(r'"~^POST /api/records/[0-9]+/photos$" heavy;', text)
        self.assertIn(f"limit_conn heavy {heavy.EACH};", text)

    def test_http_leads_nobody_to_another_host(self):
        said = told.USUAL | {"hosts": ["a.example", "b.example"], "port": 8700}
        text = proxy.configuration(said, Path("/state"))
        self.assertIn("listen 80 default_server; return 444;", text)
        redirect = text[text.index("return 301") - 80 : text.index("return 301")]
        self.assertIn("server_name a.example b.example;", redirect)
