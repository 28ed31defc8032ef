import threading
from unittest import mock

from django.db import OperationalError, connection
from django.test import TransactionTestCase

from server.accounts.models import Person
from server.catalogue.arrays import forget_catalogues
from server.catalogue.drawer_actions import say, set_owned
from server.catalogue.models import Colour, DrawerEntry, Range
from server.tests.helpers import make_range
from server.writes import write


class WriteTests(TransactionTestCase):
    def setUp(self):
        forget_catalogues()
        self.ann = Person.objects.create_user("Ann", "long-enough-9")

    def at_once(self, *actions):
        """Every action in a thread of its own, all begun together; what went wrong."""
        begin, wrong = threading.Barrier(len(actions)), []

        def run(action):
            try:
                begin.wait()
                action()
            except Exception as error:
                wrong.append(error)
            finally:
                connection.close()

        threads = [threading.Thread(target=run, args=(action,)) for action in actions]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        return wrong

    def test_boxes_ticked_at_once_are_all_ticked(self):
        rows = "".join(f"PAD-{n},{20 + n},0,0\n" for n in range(30))
        ids = list(make_range(self.ann, content="code,L,a,b\n" + rows).colours.values_list("pk", flat=True))
        for owned in (True, False, True):
            ticks = [lambda pk=pk, owned=owned: set_owned(self.ann, [pk], owned) for pk in ids[:14]]
            many = [
                lambda part=part: say(self.ann, [(pk, {"fullness": "low"}) for pk in part])
                for part in (ids[8:], ids[::-1][:20])
            ]
            self.assertEqual(self.at_once(*ticks, *many), [])
        self.assertEqual(DrawerEntry.objects.filter(owner=self.ann).count(), 30)

    def test_ranges_brought_in_at_once_all_come(self):
        content = "code,L,a,b\n" + "".join(f"ROW-{n},{n % 90},0,0\n" for n in range(2500))
        made = [lambda n=n: make_range(self.ann, f"Range {n}", content=content) for n in range(4)]
        self.assertEqual(self.at_once(*made), [])
        self.assertEqual(Range.objects.filter(owner=self.ann).count(), 4)
        self.assertEqual(Colour.objects.count(), 10000)

    def test_a_deadlock_is_tried_again_and_not_for_ever(self):
        tried = []

        @write
        def action(person, faults, number):
            tried.append(1)
            Range.objects.create(owner=person, name=f"Try {len(tried)}", medium="gel pen")
            if len(tried) <= faults:
                raise OperationalError(number, "made up")
            return "done"

        self.assertEqual(action(self.ann, 2, 1213), "done")
        self.assertEqual([one.name for one in Range.objects.all()], ["Try 3"])
        for faults, number, times in ((99, 1213, 6), (99, 1146, 1)):
            tried.clear()
            with self.assertRaises(OperationalError):
                action(self.ann, faults, number)
            self.assertEqual(len(tried), times)
        self.assertEqual(Range.objects.count(), 1)

    def test_what_a_refused_end_read_into_what_was_given_is_taken_back(self):
        refused = [OperationalError(1213, "made up"), OperationalError(1213, "made up")]

        @write
        def action(person):
            person.email = f"{person.email}x"
            return person.email

        commit = connection.connection.commit

        def ends():
            if refused:
                raise refused.pop()
            commit()

        with mock.patch.object(connection, "_commit", ends):
            self.assertEqual(action(self.ann), "x")
        self.assertEqual((refused, self.ann.email), ([], "x"))
