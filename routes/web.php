<?php

declare(strict_types=1);

use App\Formats\Out\DatasetFormats;
use App\Http\Controllers\BinController;
use App\Http\Controllers\BreakdownController;
use App\Http\Controllers\BriefController;
use App\Http\Controllers\DatasetController;
use App\Http\Controllers\EditorController;
use App\Http\Controllers\EntityController;
use App\Http\Controllers\FiguresController;
use App\Http\Controllers\FirstPageController;
use App\Http\Controllers\HandOverController;
use App\Http\Controllers\HelpController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\MeasureController;
use App\Http\Controllers\MeasureKindController;
use App\Http\Controllers\MergerController;
use App\Http\Controllers\OrdersController;
use App\Http\Controllers\PaletteController;
use App\Http\Controllers\PeerComparisonController;
use App\Http\Controllers\PeerSetController;
use App\Http\Controllers\PointsController;
use App\Http\Controllers\ProposalsController;
use App\Http\Controllers\ReadoutController;
use App\Http\Controllers\RosterController;
use App\Http\Controllers\SameStudyController;
use App\Http\Controllers\SentencesController;
use App\Http\Controllers\StudyChangeController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\StudyFileController;
use App\Http\Controllers\StudyHistoryController;
use App\Http\Controllers\StyleController;
use App\Http\Controllers\UpController;
use App\Http\Controllers\UploadController;
use App\Http\Controllers\VersionController;
use App\Http\Controllers\WorkingController;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Route;

Route::get('/', [FirstPageController::class, 'show'])->name('data.index');
Route::post('/demo', [FirstPageController::class, 'demo'])->name('demo.load');
Route::get('/studies/{study}/card', [FirstPageController::class, 'card'])->name('studies.card');
Route::get('/datasets/{dataset}', [DatasetController::class, 'show'])->name('datasets.show');
Route::patch('/datasets/{dataset}', [DatasetController::class, 'update'])->name('datasets.update');
Route::patch('/datasets/{dataset}/measures', [MeasureController::class, 'update'])->name('datasets.measures');
Route::post('/datasets/{dataset}/measures', [MeasureController::class, 'store'])->name('datasets.derive');
Route::patch('/datasets/{dataset}/breakdowns', [BreakdownController::class, 'update'])->name('breakdowns.update');
Route::patch('/datasets/{dataset}/entities', [EntityController::class, 'update'])->name('datasets.entities');
Route::get('/datasets/{dataset}/peer-sets/new', [PeerSetController::class, 'create'])->name('peer-sets.create');
Route::get('/datasets/{dataset}/peer-sets/preview', [PeerSetController::class, 'preview'])->name('peer-sets.preview');
Route::get('/datasets/{dataset}/peer-sets/{key}', [PeerSetController::class, 'show'])->name('peer-sets.show');
Route::post('/datasets/{dataset}/peer-sets', [PeerSetController::class, 'store'])->name('peer-sets.store');
Route::delete('/datasets/{dataset}/peer-sets/{key}', [PeerSetController::class, 'destroy'])->name('peer-sets.destroy');
Route::post('/studies/{study}/peer-sets', [PeerSetController::class, 'like'])->name('peer-sets.like');
Route::post('/datasets/{dataset}/mergers', [MergerController::class, 'store'])->name('mergers.store');
Route::get('/datasets/{dataset}/out/{format}', [DatasetController::class, 'out'])
    ->whereIn('format', array_keys(DatasetFormats::ALL))
    ->name('datasets.out');
Route::get('/datasets/{dataset}/figures/{measure}', [VersionController::class, 'figures'])->name('datasets.figures');
Route::post('/datasets/{dataset}/corrections', [VersionController::class, 'correct'])->name('corrections.store');
Route::delete('/datasets/{dataset}/corrections/{file}', [VersionController::class, 'takeBack'])->name(
    'corrections.destroy',
);
Route::get('/datasets/{dataset}/versions/{version}', [VersionController::class, 'show'])
    ->where('version', '\d{1,9}')
    ->name('versions.show');
Route::post('/datasets/{dataset}/versions/{version}', [VersionController::class, 'restore'])
    ->where('version', '\d{1,9}')
    ->name('versions.restore');
Route::post('/studies/{study}/pin', [VersionController::class, 'pin'])->name('studies.pin');
Route::delete('/datasets/{dataset}', [DatasetController::class, 'destroy'])->name('datasets.destroy');
Route::post('/study-files', [StudyFileController::class, 'store'])->name('study-files.carried');
Route::post('/datasets/{dataset}/study-files', [StudyFileController::class, 'store'])->name('study-files.store');
Route::post('/datasets/{dataset}/studies', [StudyController::class, 'store'])->name('studies.store');

Route::post('/uploads', [UploadController::class, 'store'])->name('uploads.store');
Route::get('/uploads/{upload}', [UploadController::class, 'show'])->name('uploads.show');
Route::patch('/uploads/{upload}', [UploadController::class, 'update'])->name('uploads.update');
Route::delete('/uploads/{upload}', [UploadController::class, 'destroy'])->name('uploads.destroy');
Route::post('/uploads/{upload}/import', [ImportController::class, 'store'])
    ->name('imports.store')
    ->missing(static fn(): Response => response('', 204));
// A page that asked just before it was led away gets nothing.
Route::get('/uploads/{upload}/import', [ImportController::class, 'show'])
    ->name('imports.show')
    ->missing(static fn(): Response => response('', 204));
Route::delete('/uploads/{upload}/import', [ImportController::class, 'destroy'])->name('imports.destroy');

Route::get('/studies/{study}', [StudyController::class, 'show'])->name('studies.show');
Route::patch('/studies/{study}', [StudyController::class, 'update'])->name('studies.update');
Route::post('/studies/{study}/copies', [StudyController::class, 'copy'])->name('studies.copy');
Route::post('/studies/{study}/same', [SameStudyController::class, 'store'])->name('studies.same');
Route::delete('/studies/{study}', [StudyController::class, 'destroy'])->name('studies.destroy');
Route::post('/studies/{study}/changes', [StudyChangeController::class, 'store'])->name('changes.store');
Route::patch('/studies/{study}/kind', [MeasureKindController::class, 'update'])->name('studies.kind');
Route::put('/studies/{study}/history', [StudyHistoryController::class, 'update'])->name('history.update');
Route::get('/studies/{study}/history', [StudyHistoryController::class, 'show'])->name('history.show');
Route::get('/studies/{study}/points', [PointsController::class, 'show'])->name('points.show');
Route::get('/studies/{study}/readouts', [ReadoutController::class, 'index'])->name('readouts.index');
Route::get('/studies/{study}/readouts/{line}', [ReadoutController::class, 'show'])->name('readouts.show');
Route::get('/studies/{study}/figures/{stop}', [FiguresController::class, 'show'])->name('figures.show');
Route::get('/studies/{study}/proposals', [ProposalsController::class, 'show'])->name('proposals.show');
Route::get('/studies/{study}/editors/{id}', [EditorController::class, 'show'])->name('editors.show');
Route::get('/studies/{study}/roster', [RosterController::class, 'show'])->name('roster.show');
Route::get('/studies/{study}/orders/{stop}', [OrdersController::class, 'show'])->name('orders.show');
Route::get('/studies/{study}/sentences', [SentencesController::class, 'show'])->name('sentences.show');
Route::get('/studies/{study}/peer-comparison', [PeerComparisonController::class, 'show'])->name('peer-comparison.show');
Route::get('/studies/{study}/working/{line}/{position}', [WorkingController::class, 'show'])
    ->where('position', '\d{1,9}')
    ->name('working.show');
Route::get('/studies/{study}/hand-over/{format}', [HandOverController::class, 'show'])
    ->name('hand-over');

Route::get('/style', [StyleController::class, 'show'])->name('style.show');
Route::put('/style', [StyleController::class, 'update'])->name('style.update');
Route::get('/studies/{study}/style', [StyleController::class, 'others'])->name('style.others');
Route::post('/studies/{study}/style', [StyleController::class, 'store'])->name('style.store');

Route::get('/bin', [BinController::class, 'show'])->name('bin.show');
Route::get('/help', [HelpController::class, 'show'])->name('help');
Route::post('/bin/{kind}/{id}', [BinController::class, 'restore'])->where('id', '\d{1,9}')->name('bin.restore');

Route::post('/briefs', [BriefController::class, 'store'])->name('briefs.store');
Route::get('/briefs/{brief}', [BriefController::class, 'show'])->name('briefs.show');
Route::put('/briefs/{brief}', [BriefController::class, 'update'])->name('briefs.update');
Route::delete('/briefs/{brief}', [BriefController::class, 'destroy'])->name('briefs.destroy');
Route::get('/read/{token}', [BriefController::class, 'read'])->name('briefs.read');
Route::get('/read/{token}/pdf', [BriefController::class, 'pdf'])->name('briefs.pdf');
Route::get('/read/{token}/file', [BriefController::class, 'file'])->name('briefs.file');

Route::get('/up', UpController::class)->withoutMiddleware('web')->name('up');
Route::get('/palette.css', [PaletteController::class, 'show'])->withoutMiddleware('web')->name('palette');
