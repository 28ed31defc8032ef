import threading

from django.http import HttpResponse, StreamingHttpResponse
from django.test import RequestFactory, SimpleTestCase, override_settings

from server.watching.turns import InTurns, Turns


class Somebody:
    def __init__(self, pk):
        self.pk = pk


class TurnsTests(SimpleTestCase):
    def test_who_has_much_waiting_lets_others_go_first(self):
        turns, order = Turns(at_once=1, each=4), []
        self.assertTrue(turns.take("ann"))
        started = []

        def work(person):
            took = turns.take(person)
            order.append((person, took))
            turns.give_back(person)

        for person in ("ann", "ann", "ann", "ben"):
            there = threading.Thread(target=work, args=(person,))
            there.start()
            started.append(there)
            while sum(one[0] == person for one in turns._waiting) < sum(
                p == person for p in ("ann", "ann", "ann", "ben")[: len(started)]
            ):
                pass  # until it stands in line
        self.assertFalse(turns.take("ann"))  # a fifth of hers is too much at once
        turns.give_back("ann")
        for there in started:
            there.join()
        self.assertEqual(order, [("ben", True), *[("ann", True)] * 3])
        self.assertTrue(turns.take("ann"))

    def test_nobody_waits_for_ever(self):
        turns = Turns(at_once=1)
        self.assertTrue(turns.take("ann"))
        self.assertFalse(turns.take("ben", patience=0.0))
        turns.give_back("ann")
        self.assertTrue(turns.take("ben", patience=0.0))

    @override_settings(BEHIND_PROXY=True)
    def test_a_turn_is_held_until_all_is_told_or_whoever_asked_has_left(self):
        def asked(answer, pool="heavy"):
            request = RequestFactory().get("/", headers={"X-Pool": pool})
            request.user = Somebody(7)
            return InTurns(lambda _: answer)(request)

        InTurns.turns = Turns(at_once=2, each=2)
        self.addCleanup(setattr, InTurns, "turns", Turns())
        told = [asked(StreamingHttpResponse(iter([b"a", b"b"]))) for _ in range(2)]
        self.assertEqual(asked(HttpResponse()).status_code, 429)
        self.assertEqual(asked(HttpResponse(), "jindle").status_code, 200)  # what is light waits for nobody
        told[0].close()  # the server does so at the end, and when nobody reads on
        last = asked(HttpResponse())
        self.assertEqual(last.status_code, 200)
        for answer in (last, told[1]):
            answer.close()

        def breaks(_):
            raise ValueError

        request = RequestFactory().get("/", headers={"X-Pool": "heavy"})
        request.user = Somebody(8)
        for _ in range(5):
            with self.assertRaises(ValueError):
                InTurns(breaks)(request)
