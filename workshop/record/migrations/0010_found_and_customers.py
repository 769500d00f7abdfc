"""Everything written of a job can be found: SQLite's FTS5 with trigrams, kept by triggers in the transaction of what it
follows. Customers as records. A job booked by mistake is put away with its reason.
"""

from typing import Any

from django.db import migrations, models

#: SQLite makes a table with another column anew: the triggers that name it go before, and are set again.
_OFF = ("DROP TRIGGER IF EXISTS fact_is_never_changed", "DROP TRIGGER IF EXISTS fact_is_never_removed")
_ON = (
    "CREATE TRIGGER fact_is_never_changed BEFORE UPDATE ON jobs_factrecord "
    "BEGIN SELECT RAISE(ABORT, 'a fact is never changed'); END",
    "CREATE TRIGGER fact_is_never_removed BEFORE DELETE ON jobs_factrecord "
    "WHEN EXISTS (SELECT 1 FROM jobs_jobrecord WHERE id = OLD.job_id) "
    "BEGIN SELECT RAISE(ABORT, 'a fact is never removed'); END",
)
TABLE = "CREATE VIRTUAL TABLE jobs_found USING fts5(text, job UNINDEXED, tokenize='trigram')"
#: Rows of the index by what they are of: a job's card under its negative number, facts and decisions in between.
_CARD = "coalesce(%(r)s.number,'')||' '||%(r)s.title||' '||%(r)s.customer||' '||%(r)s.complaint||' '||%(r)s.engine"
_CARD += "||' '||%(r)s.stage||' '||%(r)s.waits_for||' '||coalesce((SELECT group_concat(json_extract(value,'$.headline'),"
_CARD += "' ') FROM json_each(%(r)s.sets)),'')"
#: The fields of a fact in which people write.
_WORDS = ("topic", "what", "place", "answer", "found", "text", "words", "note", "because", "reason", "serial", "paper")
_FACT = "||' '||".join(f"coalesce(json_extract(%(r)s.document,'$.{name}'),'')" for name in _WORDS)
_NEW, _OLD = {"r": "NEW"}, {"r": "OLD"}
_CHANGES = ("number", "title", "customer", "complaint", "engine", "stage", "waits_for", "sets")
TRIGGERS = {
    "job_is_found": (
        "AFTER INSERT ON jobs_jobrecord BEGIN INSERT INTO jobs_found(rowid, text, job) "
        f"VALUES (-NEW.id, {_CARD % _NEW}, NEW.id); END"
    ),
    "changed_job_is_found": (
        f"AFTER UPDATE OF {', '.join(_CHANGES)} ON jobs_jobrecord "
        f"WHEN {' OR '.join(f'NEW.{c} IS NOT OLD.{c}' for c in _CHANGES)} BEGIN "
        f"UPDATE jobs_found SET text = {_CARD % _NEW} WHERE rowid = -NEW.id; END"
    ),
    "fact_is_found": (
        f"AFTER INSERT ON jobs_factrecord WHEN trim({_FACT % _NEW}) <> '' BEGIN "
        f"INSERT INTO jobs_found(rowid, text, job) VALUES (NEW.id * 2, {_FACT % _NEW}, NEW.job_id); END"
    ),
    "decision_is_found": (
        "AFTER INSERT ON jobs_decisionrecord WHEN trim(NEW.words||NEW.reason) <> '' BEGIN "
        "INSERT INTO jobs_found(rowid, text, job) VALUES (NEW.id * 2 + 1, NEW.words||' '||NEW.reason, NEW.job_id); END"
    ),
    "job_gone_is_not_found": (
        "AFTER DELETE ON jobs_jobrecord BEGIN DELETE FROM jobs_found WHERE job = OLD.id; END"
    ),
}
FILL = (
    f"INSERT INTO jobs_found(rowid, text, job) SELECT -j.id, {_CARD % {'r': 'j'}}, j.id FROM jobs_jobrecord j",
    f"INSERT INTO jobs_found(rowid, text, job) SELECT f.id * 2, {_FACT % {'r': 'f'}}, f.job_id FROM jobs_factrecord f "
    f"WHERE trim({_FACT % {'r': 'f'}}) <> ''",
    "INSERT INTO jobs_found(rowid, text, job) SELECT d.id * 2 + 1, d.words||' '||d.reason, d.job_id "
    "FROM jobs_decisionrecord d WHERE trim(d.words||d.reason) <> ''",
)


def customers_of_the_jobs(apps: Any, _editor: Any) -> None:
    """A record for each customer that a job names."""
    names = set(apps.get_model("jobs", "JobRecord").objects.exclude(customer="").values_list("customer", flat=True))
    apps.get_model("jobs", "Customer").objects.bulk_create(
        apps.get_model("jobs", "Customer")(name=name) for name in sorted(names)
    )


class Migration(migrations.Migration):
    dependencies = [("jobs", "0009_pictures_bare")]

    operations = [
        migrations.CreateModel(
            "Customer",
            [
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("name", models.CharField(max_length=200, unique=True)),
                ("reach", models.TextField(blank=True)),
            ],
        ),
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _OFF),
        migrations.AddField("jobrecord", "put_away", models.TextField(blank=True, default="")),
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _ON),
        migrations.RunPython(customers_of_the_jobs, migrations.RunPython.noop),
        migrations.RunSQL(TABLE, "DROP TABLE jobs_found"),
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in FILL),
        *(
            migrations.RunSQL(f"CREATE TRIGGER {name} {does}", f"DROP TRIGGER {name}")
            for name, does in TRIGGERS.items()
        ),
    ]
