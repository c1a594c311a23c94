-- A job that came back goes on as another: nothing is done in it any more, and the bay counts it among the closed.
update job_summary set open = false where stage = 'comeback';
