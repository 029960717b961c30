using System.Security.Cryptography;
using YokePair.Data;

namespace YokePair.Web.House;

/// <summary>A phone that wants in.</summary>
/// <param name="Id">Its number among those that wait.</param>
/// <param name="Name">What it calls itself.</param>
/// <param name="Code">What both screens show, to be compared.</param>
public sealed record WaitingPhone(string Id, string Name, string Code);

/// <summary>How a phone's asking stands.</summary>
public enum PairingState
{
    /// <summary>Nobody has said yes or no.</summary>
    Waiting,

    /// <summary>It may come in; its token is told this once.</summary>
    LetIn,

    /// <summary>Somebody said no, or it took too long.</summary>
    Refused,
}

/// <summary>
/// Lets phones in: the main screen shows a secret that is good for one phone and a few minutes; the phone that reads it gets a short code; who
/// sits at the main screen compares the two and says yes; then the phone is told its token, once.
/// </summary>
internal sealed class Pairings(TimeProvider clock)
{
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);
    private const int SecretBytes = 16, MostWaiting = 5;

    private readonly Lock one = new();
    private readonly List<Offer> offers = [];
    private readonly List<Asking> waiting = [];

    private sealed record Offer(string Secret, DateTimeOffset Until);

    private sealed class Asking(WaitingPhone phone, string key, DateTimeOffset until)
    {
        public WaitingPhone Phone => phone;

        /// <summary>What the phone asks with how it stands.</summary>
        public string Key => key;

        public DateTimeOffset Until => until;

        public string? Token { get; set; }
    }

    /// <summary>Offers a place; one that was offered before is no longer.</summary>
    /// <returns>The secret, and until when it is good.</returns>
    public (string Secret, DateTimeOffset Until) Begin()
    {
        lock (one)
        {
            offers.Clear();
            var offer = new Offer(PhoneStore.Secret(SecretBytes), clock.GetUtcNow() + Patience);
            offers.Add(offer);
            return (offer.Secret, offer.Until);
        }
    }

    /// <summary>A phone that has read the secret asks to be let in; the secret is used up. Null where it is not good, or too many wait.</summary>
    public (WaitingPhone Phone, string Key)? Ask(string secret, string name)
    {
        lock (one)
        {
            Forget();
            if (waiting.Count >= MostWaiting || offers.RemoveAll(o => o.Secret == secret) == 0) return null;
            var code = RandomNumberGenerator.GetInt32(1_000_000).ToString("00 00 00", System.Globalization.CultureInfo.InvariantCulture);
            var asking = new Asking(new WaitingPhone(PhoneStore.Secret(4), name, code), PhoneStore.Secret(SecretBytes), clock.GetUtcNow() + Patience);
            waiting.Add(asking);
            return (asking.Phone, asking.Key);
        }
    }

    /// <summary>Phones that wait for a yes.</summary>
    public IReadOnlyList<WaitingPhone> Waiting()
    {
        lock (one)
        {
            Forget();
            return [.. waiting.Where(w => w.Token is null).Select(w => w.Phone)];
        }
    }

    /// <summary>Somebody has compared the codes and says yes; null where it waits no longer.</summary>
    public WaitingPhone? Find(string id)
    {
        lock (one)
        {
            Forget();
            return waiting.Find(w => w.Phone.Id == id && w.Token is null)?.Phone;
        }
    }

    /// <summary>Puts its token ready to be fetched.</summary>
    public void LetIn(string id, string token)
    {
        lock (one)
            if (waiting.Find(w => w.Phone.Id == id) is { } asking) asking.Token = token;
    }

    /// <summary>Somebody says no.</summary>
    public bool Refuse(string id)
    {
        lock (one) return waiting.RemoveAll(w => w.Phone.Id == id) > 0;
    }

    /// <summary>How it stands for the phone with a key; a token is told once.</summary>
    public (PairingState State, string? Token) Stands(string key)
    {
        lock (one)
        {
            Forget();
            if (waiting.Find(w => w.Key == key) is not { } asking) return (PairingState.Refused, null);
            if (asking.Token is null) return (PairingState.Waiting, null);
            waiting.Remove(asking);
            return (PairingState.LetIn, asking.Token);
        }
    }

    private void Forget()
    {
        var now = clock.GetUtcNow();
        offers.RemoveAll(o => o.Until <= now);
        waiting.RemoveAll(w => w.Until <= now);
    }
}
