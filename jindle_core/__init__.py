"""The rules of the job: plain values in, plain values out.

No module here knows of requests, models, files, the clock or the network.
Each answers one question and can be used alone in a Python prompt.
"""

import warnings

# The colour library says at import that its plotting, which is not used here, lacks matplotlib.
warnings.filterwarnings("ignore", message='"Matplotlib" related API features')
