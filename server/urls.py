"""Addresses: the API, and the client for everything else."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.urls import include, path, re_path
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie

from server import errors
from server.accounts import api as accounts
from server.archive import api as archive
from server.cards import api as cards
from server.cards import colouring_api, everywhere_api, supply_api, sureness_api
from server.cards.building import api as building
from server.cards.grounds import api as grounds
from server.cards.planning import api as planning
from server.catalogue.api import (
    drawer,
    files,
    find,
    import_file,
    instead,
    photographed,
    ranges,
    reader,
    readings,
    strip,
)
from server.colouring import api as colouring
from server.colouring import scan_api
from server.demo import api as demo
from server.palettes import api as palettes
from server.palettes import mood_api as moods
from server.papers import api as papers
from server.papers import camera_api, reading
from server.recipes import api as recipes
from server.records import api as records
from server.records import which
from server.sets import api as sets
from server.sets import colourways_api as colourways
from server.shelf import api as shelf
from server.training import api as training
from server.training import sheet_api as training_sheets
from server.watching import health
from server.watching.metrics import metrics


@never_cache
@ensure_csrf_cookie
def client(request: HttpRequest) -> HttpResponse:
    """The one page of the client, whatever the address: its router reads it."""
    page = settings.CLIENT / "index.html"
    if not page.exists():
        return HttpResponse("The client is not built yet; run ./jindle demo.", status=503)
    return HttpResponse(page.read_bytes())


@never_cache
def worker(request: HttpRequest) -> HttpResponse:
    """What answers for the client without a network; from the root, as it answers for every page."""
    script = settings.CLIENT / "sw.js"
    if not script.exists():
        return HttpResponse(status=404)
    # HEAD is asked by who wonders whether we are there.
    body = b"" if request.method == "HEAD" else script.read_bytes()
    return HttpResponse(body, content_type="text/javascript")


api = [
    path("health", health.Health.as_view()),
    path("metrics", metrics),
    path("door", accounts.Door.as_view()),
    path("sign-up", accounts.SignUp.as_view()),
    path("sign-in", accounts.SignIn.as_view()),
    path("sign-out", accounts.SignOut.as_view()),
    path("open-demo", demo.OpenDemo.as_view()),
    path("examples", demo.Examples.as_view()),
    path("me", accounts.Me.as_view()),
    path("forgotten", accounts.Forgotten.as_view()),
    path("new-password", accounts.PasswordByLink.as_view()),
    path("me/sign-out-elsewhere", accounts.SignOutElsewhere.as_view()),
    path("me/room", accounts.MyRoom.as_view()),
    path("me/address", accounts.Address.as_view()),
    path("me/password", accounts.Password.as_view()),
    path("me/delete", accounts.DeleteMe.as_view()),
    path("me/archive", archive.Archive.as_view()),
    path("me/archive/followed", archive.FollowedArchive.as_view()),
    path("find", find.Find.as_view()),
    path("like", find.Like.as_view()),
    path("drawer", drawer.Drawer.as_view()),
    path("shopping/asked", drawer.AskedFor.as_view()),
    path("drawer/list", drawer.DrawerList.as_view()),
    path("drawer/file", drawer.DrawerFile.as_view()),
    path("drawer/chart", files.DrawerChart.as_view()),
    path("shopping", supply_api.Shopping.as_view()),
    path("shopping/file", supply_api.ShoppingFile.as_view()),
    path("strip", strip.Strip.as_view()),
    path("strip/sheet", strip.StripSheet.as_view()),
    path("sureness", sureness_api.Surenesses.as_view()),
    path("sureness/sheet", sureness_api.SurenessSheet.as_view()),
    path("colours/<int:pk>/instead", instead.Instead.as_view()),
    path("colours/<int:pk>/readings", readings.ColourReadings.as_view()),
    path("readings/<int:pk>", readings.OneReading.as_view()),
    path("reader", reader.Reader.as_view()),
    path("reader/calibrate", reader.ReaderCalibrate.as_view()),
    path("reader/recharge", reader.ReaderRecharge.as_view()),
    path("reader/read", reader.ReaderRead.as_view()),
    path("swatches/read", photographed.ReadSwatches.as_view()),
    path("swatches/keep", photographed.KeepSwatches.as_view()),
    path("families/convert", instead.ConvertFamily.as_view()),
    path("ranges", ranges.Ranges.as_view()),
    path("ranges/preview", import_file.RangePreview.as_view()),
    path("ranges/import", import_file.RangeImport.as_view()),
    path("ranges/away", ranges.RangesAway.as_view()),
    path("ranges/deleted", ranges.DeletedRanges.as_view()),
    path("ranges/deleted/<int:pk>", ranges.OneDeletedRange.as_view()),
    path("ranges/<int:pk>", ranges.OneRange.as_view()),
    path("ranges/<int:pk>/dots", ranges.RangeDots.as_view()),
    path("ranges/<int:pk>/uses", supply_api.RangeUses.as_view()),
    path("ranges/<int:pk>/changes", ranges.RangeChanges.as_view()),
    path("ranges/<int:pk>/compare", ranges.RangeComparison.as_view()),
    path("ranges/<int:pk>/readings", readings.RangeReadings.as_view()),
    path("ranges/<int:pk>/chart", files.RangeChart.as_view()),
    path("ranges/<int:pk>/file/<str:kind>", files.RangeFile.as_view()),
    path("papers", papers.Papers.as_view()),
    path("papers/read", reading.PaperRead.as_view()),
    path("papers/<int:pk>", papers.OnePaper.as_view()),
    path("papers/<int:pk>/picture", papers.PaperPicture.as_view()),
    path("papers/<int:pk>/start", papers.PaperStart.as_view()),
    path("palettes/rules", palettes.RuleLandings.as_view()),
    path("palettes/drawer", palettes.DrawerLandings.as_view()),
    path("palettes/combinations", palettes.Combinations.as_view()),
    path("palettes/combinations/<int:pk>", palettes.OneCombination.as_view()),
    path("palettes/moods", moods.Moods.as_view()),
    path("palettes/moods/<int:pk>", moods.OneMood.as_view()),
    path("palettes/start", palettes.StartCard.as_view()),
    path("training", training.Training.as_view()),
    path("training/question", training.NextQuestion.as_view()),
    path("training/answers", training.Answers.as_view()),
    path("training/progress", training.Progress.as_view()),
    path("training/sheets", training_sheets.TrainingSheets.as_view()),
    path("training/sheets/<int:pk>", training_sheets.OneTrainingSheet.as_view()),
    path("training/sheets/<int:pk>/photo", training_sheets.TrainingSheetPhoto.as_view()),
    path("camera/training/<int:pk>", training_sheets.CameraTraining.as_view()),
    path("camera", camera_api.Camera.as_view()),
    path("camera/chart", camera_api.CameraChart.as_view()),
    path("camera/photograph", camera_api.CameraPhotograph.as_view()),
    path("cards/<int:pk>/papers", papers.CardPapers.as_view()),
    path("cards", cards.Cards.as_view()),
    path("cards/<int:pk>", cards.OneCard.as_view()),
    path("<shelved:kind>/<int:pk>/put-by", shelf.PutBy.as_view()),
    path("<shelved:kind>/deleted", shelf.Deleted.as_view()),
    path("<shelved:kind>/deleted/<int:pk>", shelf.OneDeleted.as_view()),
    path("cards/<int:pk>/changes", cards.CardChanges.as_view()),
    path("cards/<int:pk>/mends", cards.CardMends.as_view()),
    path("cards/<int:pk>/adding", cards.CardAdding.as_view()),
    path("cards/<int:pk>/states", cards.CardStates.as_view()),
    path("cards/<int:pk>/file", cards.CardFile.as_view()),
    path("cards/<int:pk>/undo", cards.CardUndo.as_view()),
    path("cards/glances", cards.CardGlances.as_view()),
    path("cards/<int:pk>/picture", cards.CardPicture.as_view()),
    path("cards/<int:pk>/redo", cards.CardRedo.as_view()),
    path("cards/<int:pk>/colouring", colouring_api.CardColouring.as_view()),
    path("cards/<int:pk>/colouring/papers", colouring_api.CardOnPapers.as_view()),
    path("cards/<int:pk>/colouring/propose", colouring_api.CardPropose.as_view()),
    path("cards/<int:pk>/areas/<int:key>/families", colouring_api.AreaFamilies.as_view()),
    path("cards/<int:pk>/plan", planning.CardPlan.as_view()),
    path("cards/<int:pk>/plan/presses", planning.CardPlanPresses.as_view()),
    path("cards/<int:pk>/plan/anew", planning.CardPlanAnew.as_view()),
    path("pace", planning.OwnPace.as_view()),
    path("cards/<int:pk>/recipe", records.CardRecipe.as_view()),
    path("cards/<int:pk>/records", records.CardRecords.as_view()),
    path("cards/<int:pk>/plan/instead", planning.CardPlanInstead.as_view()),
    path("records", records.Records.as_view()),
    path("cards/<int:pk>/recipe/file", recipes.CardRecipeFile.as_view()),
    path("cards/<int:pk>/colourways", colourways.CardColourways.as_view()),
    path("cards/<int:pk>/colourways/take", colourways.TakeColourway.as_view()),
    path("sets", sets.Sets.as_view()),
    path("sets/<int:pk>", sets.OneSet.as_view()),
    path("sets/<int:pk>/carry", sets.SetCarry.as_view()),
    path("sets/<int:pk>/cutting", sets.CutSet.as_view()),
    path("sets/<int:pk>/cutting/sheet", sets.CutSetSheet.as_view()),
    path("sets/<int:pk>/sheet", sets.SetPage.as_view()),
    path("sets/<int:pk>/plan", sets.SetPlan.as_view()),
    path("sets/<int:pk>/plan/presses", sets.SetPlanPresses.as_view()),
    path("sets/<int:pk>/plan/anew", sets.SetPlanAnew.as_view()),
    path("sets/<int:pk>/records", sets.SetRecords.as_view()),
    path("cards/<int:pk>/link", recipes.CardLink.as_view()),
    path("records/<int:pk>/recipe/file", recipes.RecordRecipeFile.as_view()),
    path("records/<int:pk>/link", recipes.RecordLink.as_view()),
    path("links", recipes.Links.as_view()),
    path("links/<int:pk>", recipes.OneLink.as_view()),
    path("shared/<str:token>", recipes.Shared.as_view()),
    path("shared/<str:token>/sheet", recipes.SharedSheet.as_view()),
    path("shared/<str:token>/file", recipes.SharedFile.as_view()),
    path("recipes", recipes.Recipes.as_view()),
    path("recipes/cards", recipes.CardsFromRecipes.as_view()),
    path("which", which.Which.as_view()),
    path("records/export", records.RecordExport.as_view()),
    path("records/years/<int:year>", records.YearPage.as_view()),
    path("records/supplies", records.RecordSupplies.as_view()),
    path("records/<int:pk>", records.OneRecord.as_view()),
    path("records/<int:pk>/picture", records.RecordPicture.as_view()),
    path("records/<int:pk>/recipe", records.RecordRecipe.as_view()),
    path("records/<int:pk>/photos", records.RecordPhotos.as_view()),
    path("records/<int:pk>/photos/<int:photo>", records.OnePhoto.as_view()),
    path("cards/<int:pk>/ground", grounds.CardGround.as_view()),
    path("cards/<int:pk>/ground/rainbows", grounds.GroundRainbows.as_view()),
    path("cards/<int:pk>/ground/make", grounds.TogetherMake.as_view()),
    path("cards/<int:pk>/ground/joins/<int:at>/ways", grounds.JoinWays.as_view()),
    path("places", everywhere_api.Places.as_view()),
    path("stencils", grounds.Stencils.as_view()),
    path("outlines", building.Outlines.as_view()),
    path("cards/<int:pk>/build", building.CardBuild.as_view()),
    path("cards/<int:pk>/build/pieces/<int:key>/instead", building.PieceInstead.as_view()),
    path("cards/<int:pk>/build/layouts", building.CardLayouts.as_view()),
    path("cards/<int:pk>/build/inside", building.CardInside.as_view()),
    path("cards/<int:pk>/build/cutting", building.CardCutting.as_view()),
    path("cards/<int:pk>/build/cutting/sheet", building.CuttingSheet.as_view()),
    path("drawings", colouring.Drawings.as_view()),
    path("drawings/scan", scan_api.ScanRead.as_view()),
    path("drawings/scanned", scan_api.ScanStore.as_view()),
    path("drawings/<int:pk>", colouring.OneDrawing.as_view()),
    path("families/kept", colouring.KeptFamilies.as_view()),
    path("families/kept/sheet", colouring.FamiliesSheet.as_view()),
    path("families/kept/<int:pk>", colouring.OneKeptFamily.as_view()),
    path("cards/<int:pk>/alternatives", cards.Alternatives.as_view()),
    path("cards/<int:pk>/hole", cards.HoleWays.as_view()),
    path("cards/<int:pk>/move", everywhere_api.CardMove.as_view()),
    path("cards/<int:pk>/follow", everywhere_api.CardFollow.as_view()),
    path("cards/<int:pk>/uses", everywhere_api.CardUses.as_view()),
    path("cards/<int:pk>/instead", everywhere_api.CardInstead.as_view()),
    path("cards/<int:pk>/copy", everywhere_api.CardCopy.as_view()),
]
urlpatterns = [
    path("api/", include(api)),
    re_path(r"^api/.*", errors.unknown_address),
    path("sw.js", worker),
    re_path(r"^(?!static/).*", client),
]
handler400 = errors.bad_request
handler404 = errors.not_found
handler500 = errors.server_error
