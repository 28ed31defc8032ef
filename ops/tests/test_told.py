import tempfile
import unittest
from pathlib import Path

from ops import proxy, told
from ops.paths import Trouble


class ToldTests(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.file = Path(folder.name) / "deep" / "jindle.toml"

    def read(self, text):
        self.file.parent.mkdir(exist_ok=True)
        self.file.write_text(text)
        return told.read(self.file)

    def test_a_new_file_names_every_setting_and_wants_hosts(self):
        with self.assertRaisesRegex(Trouble, "--new"):
            told.read(self.file)
        told.new(self.file)
        text = self.file.read_text()
        for name in told.SETTINGS:
            self.assertIn(f"{name} = ", text)
        self.assertEqual(self.file.stat().st_mode & 0o077, 0)
        with self.assertRaisesRegex(Trouble, "say hosts"):
            told.read(self.file)
        with self.assertRaisesRegex(Trouble, "there already"):
            told.new(self.file)
        filled = self.read(text.replace("hosts = []", 'hosts = ["a.example"]'))
        self.assertEqual((filled["https"], filled["sign_up"]), (True, "invitation"))

    def test_what_is_wrong_is_told_with_its_line(self):
        begun = 'hosts = ["a.example"]\n'
        for words, text in (
            ("line 2: there is no setting “hosst”; “hosts”", begun + 'hosst = ["b"]\n'),
            ("line 2: https is true or false, not 'yes'", begun + 'https = "yes"\n'),
            ("line 2: port is a whole number, not True", begun + "port = true\n"),
            ("line 3: sign_up is one of open, invitation, closed", begun + '\nsign_up = "all"\n'),
            ("say hosts", 'hosts = ["https://a.example/"]\n'),
            ("at line 1", "hosts = [x\n"),
            ("line 2: '10.0.0.300' is no address", begun + 'balancers = ["10.0.0.300"]\n'),
            ("line 2: 'card=5' is no quota; say one of cards, ", begun + 'quotas = ["card=5"]\n'),
            ("say mail_from", begun + 'mail = "smtp://x"\n'),
            ("say certificate_key too", begun + 'certificate = "/x"\n'),
        ):
            with self.subTest(words), self.assertRaisesRegex(Trouble, words):
                self.read(text)

    def test_the_server_and_the_proxy_are_told_the_same(self):
        said = self.read(
            'hosts = ["a.example", "b.example"]\nmetrics_token = "t"\nlargest_upload_mb = 7\n'
            'quotas = ["cards=9", "megabytes=8"]\nbalancers = ["10.0.0.0/8"]\n'
        )
        env = told.environment(said)
        self.assertEqual(env["JINDLE_HOSTS"], "a.example,b.example,127.0.0.1")
        self.assertEqual(
            (env["JINDLE_HTTPS"], env["JINDLE_METRICS"], env["JINDLE_LOG"]), ("yes", "t", "lines")
        )
        self.assertEqual(env["JINDLE_QUOTAS"], "cards=9,megabytes=8")
        text = proxy.configuration(said, Path("/a state"))
        for part in (
            "set_real_ip_from 10.0.0.0/8;",
            "server_name a.example b.example;", "client_max_body_size 7m;", "client_max_body_size 6000m;", "server 127.0.0.1:8700;",
            "listen 443 ssl http2;", "listen 80;", "return 301 https://$host$request_uri;",
            'ssl_certificate "/a state/self.pem";', 'pid "/a state/nginx.pid";', "proxy_set_header Host $http_host;",
        ):  # fmt: skip
            self.assertIn(part, text)
        plain = proxy.configuration(said | {"https": False, "http_port": 8080}, Path("/a state"))
        self.assertIn("listen 8080;", plain)
        self.assertNotIn("ssl_certificate", plain)
        self.assertEqual(plain.count("{"), plain.count("}"))
